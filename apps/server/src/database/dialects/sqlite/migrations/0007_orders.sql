CREATE TABLE `order_sequences` (
	`order_number` text PRIMARY KEY NOT NULL,
	`jobs` text NOT NULL
);
--> statement-breakpoint
ALTER TABLE `signatures` ADD `signed_order` text;
