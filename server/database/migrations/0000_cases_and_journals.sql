CREATE TABLE `appliances` (
	`id` char(36) NOT NULL,
	`site_id` char(36) NOT NULL,
	`system` varchar(60) NOT NULL,
	`label` varchar(120) NOT NULL,
	`installed_on` varchar(10) NOT NULL,
	CONSTRAINT `appliances_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `cases` (
	`id` char(36) NOT NULL,
	`site_id` char(36) NOT NULL,
	`appliance_id` char(36) NOT NULL,
	`opened_at` datetime(3) NOT NULL,
	`controls` varchar(60) NOT NULL,
	`settings` json NOT NULL,
	`summary` json NOT NULL,
	CONSTRAINT `cases_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `entries` (
	`sequence` bigint AUTO_INCREMENT NOT NULL,
	`id` char(36) NOT NULL,
	`case_id` char(36) NOT NULL,
	`at` varchar(24) NOT NULL,
	`author` varchar(120) NOT NULL,
	`type` varchar(20) NOT NULL,
	`schema_version` int NOT NULL,
	`payload` json NOT NULL,
	CONSTRAINT `entries_sequence` PRIMARY KEY(`sequence`),
	CONSTRAINT `entries_case_id` UNIQUE(`case_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `sites` (
	`id` char(36) NOT NULL,
	`name` varchar(120) NOT NULL,
	`address` varchar(200) NOT NULL,
	`note` varchar(500) NOT NULL,
	CONSTRAINT `sites_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `appliances` ADD CONSTRAINT `appliances_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `cases` ADD CONSTRAINT `cases_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `cases` ADD CONSTRAINT `cases_appliance_id_appliances_id_fk` FOREIGN KEY (`appliance_id`) REFERENCES `appliances`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `entries` ADD CONSTRAINT `entries_case_id_cases_id_fk` FOREIGN KEY (`case_id`) REFERENCES `cases`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `appliances_site` ON `appliances` (`site_id`);--> statement-breakpoint
CREATE INDEX `cases_opened` ON `cases` (`opened_at`);