CREATE TABLE "leases" (
	"name" text PRIMARY KEY NOT NULL,
	"token" uuid NOT NULL,
	"until" timestamp with time zone NOT NULL
);
