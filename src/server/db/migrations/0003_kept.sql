CREATE TABLE "notices" (
	"id" text PRIMARY KEY NOT NULL,
	"code" text NOT NULL,
	"data" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"seen" boolean DEFAULT false NOT NULL
);
--> statement-breakpoint
ALTER TABLE "files" ADD COLUMN "sum" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "projects" ADD COLUMN "pieces" integer;