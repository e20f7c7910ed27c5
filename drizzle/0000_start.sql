CREATE TABLE `build_history` (
	`build_id` text NOT NULL,
	`revision` integer NOT NULL,
	`document` text NOT NULL,
	`saved_at` integer NOT NULL,
	PRIMARY KEY(`build_id`, `revision`),
	FOREIGN KEY (`build_id`) REFERENCES `builds`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `builds` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`revision` integer NOT NULL,
	`document` text NOT NULL,
	`demo` text,
	`created_at` integer NOT NULL,
	`updated_at` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `parts` (
	`id` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`document` text NOT NULL,
	`updated_at` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `seeds` (
	`name` text PRIMARY KEY NOT NULL,
	`at` integer NOT NULL
);
