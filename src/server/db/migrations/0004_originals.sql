CREATE TABLE "originals" (
	"id" text PRIMARY KEY NOT NULL,
	"bytes" "bytea" NOT NULL
);
