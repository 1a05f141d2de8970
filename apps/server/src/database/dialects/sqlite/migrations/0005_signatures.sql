CREATE TABLE `signatures` (
	`entry` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`job_id` text NOT NULL,
	`revision` integer NOT NULL,
	`hash` text NOT NULL,
	`signed_by` text NOT NULL,
	`signed_at` text NOT NULL,
	`sections` text NOT NULL,
	`restored` text NOT NULL,
	`kit` text NOT NULL,
	`document` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `signatures_of_job` ON `signatures` (`job_id`,`entry`);
