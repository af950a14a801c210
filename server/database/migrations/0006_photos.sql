CREATE TABLE `photos` (
	`hash` char(64) NOT NULL,
	`type` varchar(20) NOT NULL,
	`width` int NOT NULL,
	`height` int NOT NULL,
	`bytes` mediumblob NOT NULL,
	`received_at` datetime(3) NOT NULL,
	CONSTRAINT `photos_hash` PRIMARY KEY(`hash`)
);
