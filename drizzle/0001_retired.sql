CREATE TABLE `retired` (
	`id` text PRIMARY KEY NOT NULL,
	`at` integer NOT NULL
);
