CREATE TABLE `jobs` (
	`name` varchar(60) NOT NULL,
	`version` int NOT NULL,
	`finished` int NOT NULL DEFAULT 0,
	`reached` varchar(200) NOT NULL DEFAULT '',
	`done` int NOT NULL DEFAULT 0,
	`holder` char(36),
	`leased_until` datetime(3),
	CONSTRAINT `jobs_name` PRIMARY KEY(`name`)
);
--> statement-breakpoint
CREATE TABLE `learnt` (
	`system` varchar(60) NOT NULL,
	`month` char(7) NOT NULL,
	`fault` varchar(120) NOT NULL,
	`cases` int NOT NULL,
	CONSTRAINT `learnt_system_month_fault_pk` PRIMARY KEY(`system`,`month`,`fault`)
);
--> statement-breakpoint
ALTER TABLE `cases` ADD `counted` varchar(500) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `cases` ADD `folded_to` varchar(60);