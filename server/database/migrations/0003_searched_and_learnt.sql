DROP INDEX `cases_opened_id` ON `cases`;--> statement-breakpoint
DROP INDEX `sites_name` ON `sites`;--> statement-breakpoint
ALTER TABLE `cases` ADD `searched` varchar(460) character set utf8mb4 collate utf8mb4_bin DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `cases` ADD `system` varchar(60) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `cases` ADD `proven` varchar(500) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `sites` ADD `searched` varchar(340) character set utf8mb4 collate utf8mb4_bin DEFAULT '' NOT NULL;--> statement-breakpoint
CREATE INDEX `cases_listed` ON `cases` (`opened_at`,`id`,`searched`);--> statement-breakpoint
CREATE INDEX `cases_learnt` ON `cases` (`system`,`opened_at`,`proven`);--> statement-breakpoint
CREATE INDEX `sites_listed` ON `sites` (`name`,`id`,`searched`);