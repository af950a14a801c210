CREATE TABLE `challenges` (
	`key` char(64) NOT NULL,
	`person` char(36),
	`until` datetime(3) NOT NULL,
	CONSTRAINT `challenges_key` PRIMARY KEY(`key`)
);
--> statement-breakpoint
CREATE TABLE `passkeys` (
	`key` char(64) NOT NULL,
	`id` varchar(1400) NOT NULL,
	`person` char(36) NOT NULL,
	`public_key` varchar(4000) NOT NULL,
	`counter` bigint NOT NULL,
	`transports` json NOT NULL,
	`label` varchar(60) NOT NULL,
	`made_at` datetime(3) NOT NULL,
	`used_at` datetime(3),
	CONSTRAINT `passkeys_key` PRIMARY KEY(`key`)
);
--> statement-breakpoint
ALTER TABLE `people` ADD `only_passkey` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `sign_ins` ADD `proved_at` datetime(3) DEFAULT '2000-01-01 00:00:00.000' NOT NULL;--> statement-breakpoint
CREATE INDEX `challenges_until` ON `challenges` (`until`);--> statement-breakpoint
CREATE INDEX `passkeys_person` ON `passkeys` (`person`);