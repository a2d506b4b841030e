CREATE TABLE `kept_track` (
	`water_id` uuid NOT NULL,
	`since` datetime(3) NOT NULL,
	`made_from` varchar(100) NOT NULL,
	`content` mediumblob NOT NULL,
	CONSTRAINT `kept_track_water_id_since_pk` PRIMARY KEY(`water_id`,`since`)
);
--> statement-breakpoint
CREATE TABLE `revision` (
	`id` uuid NOT NULL,
	`counter` bigint NOT NULL,
	CONSTRAINT `revision_id` PRIMARY KEY(`id`)
);
