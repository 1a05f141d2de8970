CREATE TABLE `attempts` (
	`entry` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`person` text NOT NULL,
	`kind` text NOT NULL,
	`level` integer NOT NULL,
	`seed` integer NOT NULL,
	`right` integer NOT NULL,
	`slip` text,
	`hints` integer NOT NULL,
	`seconds` real NOT NULL,
	`at` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `attempts_id_unique` ON `attempts` (`id`);
--> statement-breakpoint
CREATE INDEX `attempts_of_person` ON `attempts` (`person`,`entry`);
