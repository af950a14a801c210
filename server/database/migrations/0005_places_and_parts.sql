CREATE TABLE `parts` (
	`part` varchar(120) NOT NULL,
	`price` double,
	`van` int NOT NULL,
	`store` int NOT NULL,
	`revision` int NOT NULL,
	CONSTRAINT `parts_part` PRIMARY KEY(`part`)
);
--> statement-breakpoint
ALTER TABLE `cases` MODIFY COLUMN `searched` varchar(520) character set utf8mb4 collate utf8mb4_bin NOT NULL DEFAULT '';--> statement-breakpoint
ALTER TABLE `sites` MODIFY COLUMN `searched` varchar(400) character set utf8mb4 collate utf8mb4_bin NOT NULL DEFAULT '';--> statement-breakpoint
ALTER TABLE `firm` ADD `profile` json;--> statement-breakpoint
ALTER TABLE `sites` ADD `phone` varchar(40) DEFAULT '' NOT NULL;