ALTER TABLE "files" ALTER COLUMN "bytes" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "files" ADD COLUMN "size" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
UPDATE "files" SET "size" = octet_length("bytes") WHERE "bytes" IS NOT NULL;