CREATE TABLE `pair_reports` (
	`catalogue` char(16) NOT NULL,
	`pair` int NOT NULL,
	`device` char(36) NOT NULL,
	`digest` char(16) NOT NULL,
	`exceptions` json NOT NULL,
	CONSTRAINT `pair_reports_catalogue_pair_device_pk` PRIMARY KEY(`catalogue`,`pair`,`device`)
);
--> statement-breakpoint
DROP TABLE `pairs`;--> statement-breakpoint
DROP INDEX `cases_opened` ON `cases`;--> statement-breakpoint
ALTER TABLE `cases` ADD `position` int DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `entries` ADD `position` int NOT NULL;--> statement-breakpoint
ALTER TABLE `entries` ADD `clock` char(17);--> statement-breakpoint
ALTER TABLE `entries` ADD `device` char(36);--> statement-breakpoint
ALTER TABLE `entries` ADD `received_at` datetime(3);--> statement-breakpoint
ALTER TABLE `firm` ADD `time_zone` varchar(60);--> statement-breakpoint
ALTER TABLE `firm` ADD `revision` int DEFAULT 1 NOT NULL;--> statement-breakpoint
UPDATE `entries` AS `one` JOIN (SELECT `sequence`, ROW_NUMBER() OVER (PARTITION BY `case_id` ORDER BY `sequence`) AS `place` FROM `entries`) AS `counted` ON `counted`.`sequence` = `one`.`sequence` SET `one`.`position` = `counted`.`place`;--> statement-breakpoint
UPDATE `cases` SET `position` = (SELECT COUNT(*) FROM `entries` WHERE `entries`.`case_id` = `cases`.`id`);--> statement-breakpoint
ALTER TABLE `entries` ADD CONSTRAINT `entries_case_position` UNIQUE(`case_id`,`position`);--> statement-breakpoint
CREATE INDEX `cases_opened_id` ON `cases` (`opened_at`,`id`);--> statement-breakpoint
CREATE INDEX `cases_appliance` ON `cases` (`appliance_id`);--> statement-breakpoint
CREATE INDEX `sites_name` ON `sites` (`name`,`id`);