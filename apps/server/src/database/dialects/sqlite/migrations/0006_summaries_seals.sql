CREATE TABLE `job_summaries` (
	`id` text PRIMARY KEY NOT NULL,
	`revision` integer NOT NULL,
	`version` integer NOT NULL,
	`head` text NOT NULL,
	`figures` text
);
--> statement-breakpoint
ALTER TABLE `signatures` ADD `seal` text;
