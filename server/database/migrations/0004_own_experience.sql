CREATE TABLE `stated_odds` (
	`system` varchar(60) NOT NULL,
	`fault` varchar(120) NOT NULL,
	`author` varchar(120) NOT NULL,
	`in_ten` int NOT NULL,
	`stated_at` datetime(3) NOT NULL,
	CONSTRAINT `stated_odds_system_fault_author_pk` PRIMARY KEY(`system`,`fault`,`author`)
);
