CREATE TABLE `photos` (
	`build_id` text NOT NULL,
	`id` text NOT NULL,
	`step` text NOT NULL,
	`taken_at` integer NOT NULL,
	`type` text NOT NULL,
	`picture` blob NOT NULL,
	`deleted_at` integer,
	PRIMARY KEY(`build_id`, `id`),
	FOREIGN KEY (`build_id`) REFERENCES `builds`(`id`) ON UPDATE no action ON DELETE cascade
);
