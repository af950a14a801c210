CREATE TABLE `presence` (
	`case_id` char(36) NOT NULL,
	`device` char(36) NOT NULL,
	`person` char(36) NOT NULL,
	`until` datetime(3) NOT NULL,
	CONSTRAINT `presence_case_id_device_pk` PRIMARY KEY(`case_id`,`device`)
);
--> statement-breakpoint
ALTER TABLE `cases` ADD `changed_at` datetime(3) DEFAULT '2000-01-01 00:00:00.000' NOT NULL;--> statement-breakpoint
CREATE INDEX `presence_until` ON `presence` (`until`);--> statement-breakpoint
CREATE INDEX `cases_changed` ON `cases` (`changed_at`);