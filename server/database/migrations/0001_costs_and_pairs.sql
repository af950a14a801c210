CREATE TABLE `firm` (
	`id` int NOT NULL,
	`costs` json NOT NULL,
	CONSTRAINT `firm_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `pairs` (
	`catalogue` char(16) NOT NULL,
	`pair` int NOT NULL,
	`exceptions` json NOT NULL,
	CONSTRAINT `pairs_catalogue_pair_pk` PRIMARY KEY(`catalogue`,`pair`)
);
