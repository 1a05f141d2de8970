CREATE TABLE `workpieces` (
	`id` text PRIMARY KEY NOT NULL,
	`position` integer NOT NULL,
	`revision` integer DEFAULT 0 NOT NULL,
	`document` text NOT NULL
);
