ALTER TABLE `jobs` RENAME COLUMN `deleted_at` TO `archived_at`;
--> statement-breakpoint
CREATE TABLE `new_instruments` (
	`id` text PRIMARY KEY NOT NULL,
	`revision` integer NOT NULL,
	`document` text NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`archived_at` text
);
--> statement-breakpoint
INSERT INTO `new_instruments` SELECT `id`, `revision`, `document`, strftime('%Y-%m-%dT%H:%M:%fZ', '2026-01-01', '+' || `position` || ' seconds'), strftime('%Y-%m-%dT%H:%M:%fZ', '2026-01-01', '+' || `position` || ' seconds'), NULL FROM `instruments` ORDER BY `position`, `id`;
--> statement-breakpoint
DROP TABLE `instruments`;
--> statement-breakpoint
ALTER TABLE `new_instruments` RENAME TO `instruments`;
--> statement-breakpoint
CREATE TABLE `new_meter_projects` (
	`id` text PRIMARY KEY NOT NULL,
	`revision` integer NOT NULL,
	`document` text NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`archived_at` text
);
--> statement-breakpoint
INSERT INTO `new_meter_projects` SELECT `id`, `revision`, `document`, strftime('%Y-%m-%dT%H:%M:%fZ', '2026-01-01', '+' || `position` || ' seconds'), strftime('%Y-%m-%dT%H:%M:%fZ', '2026-01-01', '+' || `position` || ' seconds'), NULL FROM `workpieces` ORDER BY `position`, `id`;
--> statement-breakpoint
DROP TABLE `workpieces`;
--> statement-breakpoint
ALTER TABLE `new_meter_projects` RENAME TO `meter_projects`;
--> statement-breakpoint
CREATE TABLE `revisions` (
	`entry` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`kind` text NOT NULL,
	`document_id` text NOT NULL,
	`revision` integer NOT NULL,
	`document` text NOT NULL,
	`saved_at` text NOT NULL,
	`aside` integer DEFAULT false NOT NULL
);
--> statement-breakpoint
CREATE INDEX `revisions_of_document` ON `revisions` (`kind`,`document_id`,`entry`);
--> statement-breakpoint
CREATE TABLE `properties` (
	`name` text PRIMARY KEY NOT NULL,
	`value` text NOT NULL
);
