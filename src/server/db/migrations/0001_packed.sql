ALTER TABLE "changes" ALTER COLUMN "patch" SET DATA TYPE text;--> statement-breakpoint
ALTER TABLE "changes" ALTER COLUMN "inverse" SET DATA TYPE text;--> statement-breakpoint
ALTER TABLE "projects" ALTER COLUMN "document" SET DATA TYPE text;