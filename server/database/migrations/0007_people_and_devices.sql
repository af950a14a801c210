CREATE TABLE `audit` (
	`id` char(36) NOT NULL,
	`at` datetime(3) NOT NULL,
	`person` char(36),
	`device` char(36),
	`kind` varchar(12) NOT NULL,
	`of_what` varchar(20) NOT NULL,
	`subject` varchar(120) NOT NULL,
	`about` varchar(200) NOT NULL,
	CONSTRAINT `audit_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `codes` (
	`code` char(64) NOT NULL,
	`person` char(36),
	`made_at` datetime(3) NOT NULL,
	`until` datetime(3) NOT NULL,
	`used_at` datetime(3),
	CONSTRAINT `codes_code` PRIMARY KEY(`code`)
);
--> statement-breakpoint
CREATE TABLE `devices` (
	`id` char(36) NOT NULL,
	`token` char(64) NOT NULL,
	`label` varchar(60) NOT NULL,
	`person` char(36) NOT NULL,
	`made_at` datetime(3) NOT NULL,
	`seen_at` datetime(3) NOT NULL,
	`ended_at` datetime(3),
	`wiped_at` datetime(3),
	CONSTRAINT `devices_id` PRIMARY KEY(`id`),
	CONSTRAINT `devices_token` UNIQUE(`token`)
);
--> statement-breakpoint
CREATE TABLE `hand_ins` (
	`id` char(36) NOT NULL,
	`device` char(36) NOT NULL,
	`received_at` datetime(3) NOT NULL,
	`items` json NOT NULL,
	`settled_at` datetime(3),
	CONSTRAINT `hand_ins_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `people` (
	`id` char(36) NOT NULL,
	`name` varchar(120) NOT NULL,
	`former_names` json NOT NULL,
	`role` varchar(12) NOT NULL,
	`pass_phrase` varchar(200),
	`made_at` datetime(3) NOT NULL,
	`left_at` datetime(3),
	CONSTRAINT `people_id` PRIMARY KEY(`id`),
	CONSTRAINT `people_name` UNIQUE(`name`)
);
--> statement-breakpoint
CREATE TABLE `sign_ins` (
	`device` char(36) NOT NULL,
	`person` char(36) NOT NULL,
	`since` datetime(3) NOT NULL,
	`ended_at` datetime(3),
	CONSTRAINT `sign_ins_device_person_pk` PRIMARY KEY(`device`,`person`)
);
--> statement-breakpoint
CREATE TABLE `tries` (
	`key` char(64) NOT NULL,
	`count` int NOT NULL,
	`last_at` datetime(3) NOT NULL,
	`until` datetime(3) NOT NULL,
	CONSTRAINT `tries_key` PRIMARY KEY(`key`)
);
--> statement-breakpoint
ALTER TABLE `entries` ADD `author_name` varchar(120);--> statement-breakpoint
ALTER TABLE `entries` ADD `sent_by` char(36);--> statement-breakpoint
ALTER TABLE `stated_odds` ADD `author_name` varchar(120) DEFAULT '' NOT NULL;--> statement-breakpoint
CREATE INDEX `audit_at` ON `audit` (`at`,`id`);--> statement-breakpoint
CREATE INDEX `audit_subject` ON `audit` (`subject`,`at`);--> statement-breakpoint
CREATE INDEX `audit_person` ON `audit` (`person`,`at`);--> statement-breakpoint
CREATE INDEX `devices_seen` ON `devices` (`seen_at`);--> statement-breakpoint
CREATE INDEX `sign_ins_person` ON `sign_ins` (`person`);