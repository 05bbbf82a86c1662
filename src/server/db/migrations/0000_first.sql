CREATE TABLE "changes" (
	"project" text NOT NULL,
	"revision" integer NOT NULL,
	"kind" text NOT NULL,
	"of" integer,
	"label" text NOT NULL,
	"patch" jsonb NOT NULL,
	"inverse" jsonb NOT NULL,
	"at" timestamp with time zone NOT NULL,
	CONSTRAINT "changes_project_revision_pk" PRIMARY KEY("project","revision")
);
--> statement-breakpoint
CREATE TABLE "files" (
	"id" text PRIMARY KEY NOT NULL,
	"project" text NOT NULL,
	"name" text NOT NULL,
	"bytes" "bytea" NOT NULL,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "projects" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"garment" text NOT NULL,
	"document" jsonb NOT NULL,
	"revision" integer NOT NULL,
	"deleted" boolean DEFAULT false NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	"updated_at" timestamp with time zone NOT NULL
);
