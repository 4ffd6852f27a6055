CREATE TABLE "former_ids" (
	"id" text PRIMARY KEY NOT NULL,
	"set_key" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "pages" (
	"set_key" text NOT NULL,
	"page" text NOT NULL,
	"counter" integer NOT NULL,
	"digest" text NOT NULL,
	CONSTRAINT "pages_set_key_page_pk" PRIMARY KEY("set_key","page")
);
--> statement-breakpoint
CREATE TABLE "saves" (
	"set_key" text NOT NULL,
	"revision" integer NOT NULL,
	"page" text NOT NULL,
	"operations" json NOT NULL,
	"size" integer NOT NULL,
	"saved_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "saves_set_key_revision_pk" PRIMARY KEY("set_key","revision")
);
--> statement-breakpoint
CREATE TABLE "stores" (
	"id" integer PRIMARY KEY NOT NULL,
	"generation" text NOT NULL
);
--> statement-breakpoint
INSERT INTO "stores" VALUES (1, 'g_' || replace(gen_random_uuid()::text, '-', ''));--> statement-breakpoint
ALTER TABLE "sets" ADD COLUMN "key" text;--> statement-breakpoint
UPDATE "sets" SET "key" = 's_' || replace(gen_random_uuid()::text, '-', '');--> statement-breakpoint
ALTER TABLE "sets" DROP CONSTRAINT "sets_pkey";--> statement-breakpoint
ALTER TABLE "sets" ADD PRIMARY KEY ("key");--> statement-breakpoint
ALTER TABLE "sets" ADD COLUMN "title" text NOT NULL DEFAULT '';--> statement-breakpoint
ALTER TABLE "sets" ADD COLUMN "fields" integer NOT NULL DEFAULT 0;--> statement-breakpoint
UPDATE "sets" SET "title" = coalesce("document"->>'title', ''), "fields" = CASE WHEN json_typeof("document"->'fields') = 'array' THEN json_array_length("document"->'fields') ELSE 0 END;--> statement-breakpoint
ALTER TABLE "sets" ALTER COLUMN "title" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "sets" ALTER COLUMN "fields" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "sets" ADD COLUMN "dropped_revisions" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "sets" ADD COLUMN "dropped_refused" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
CREATE UNIQUE INDEX "sets_by_id" ON "sets" USING btree ("id");--> statement-breakpoint
ALTER TABLE "revisions" ADD COLUMN "set_key" text;--> statement-breakpoint
UPDATE "revisions" SET "set_key" = "sets"."key" FROM "sets" WHERE "sets"."id" = "revisions"."set_id";--> statement-breakpoint
DELETE FROM "revisions" WHERE "set_key" IS NULL;--> statement-breakpoint
ALTER TABLE "revisions" ALTER COLUMN "set_key" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "revisions" DROP CONSTRAINT "revisions_set_id_revision_pk";--> statement-breakpoint
ALTER TABLE "revisions" ADD CONSTRAINT "revisions_set_key_revision_pk" PRIMARY KEY("set_key","revision");--> statement-breakpoint
ALTER TABLE "revisions" DROP COLUMN "set_id";--> statement-breakpoint
ALTER TABLE "revisions" ALTER COLUMN "document" DROP NOT NULL;--> statement-breakpoint
DROP INDEX "refused_by_set";--> statement-breakpoint
ALTER TABLE "refused" ADD COLUMN "set_key" text;--> statement-breakpoint
UPDATE "refused" SET "set_key" = "sets"."key" FROM "sets" WHERE "sets"."id" = "refused"."set_id";--> statement-breakpoint
DELETE FROM "refused" WHERE "set_key" IS NULL;--> statement-breakpoint
ALTER TABLE "refused" ALTER COLUMN "set_key" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "refused" ADD COLUMN "digest" text;--> statement-breakpoint
UPDATE "refused" SET "digest" = 'old ' || "id";--> statement-breakpoint
ALTER TABLE "refused" ALTER COLUMN "digest" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "refused" DROP COLUMN "set_id";--> statement-breakpoint
CREATE UNIQUE INDEX "refused_once" ON "refused" USING btree ("set_key","digest");--> statement-breakpoint
ALTER TABLE "former_ids" ADD CONSTRAINT "former_ids_set_key_sets_key_fk" FOREIGN KEY ("set_key") REFERENCES "public"."sets"("key") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pages" ADD CONSTRAINT "pages_set_key_sets_key_fk" FOREIGN KEY ("set_key") REFERENCES "public"."sets"("key") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "saves" ADD CONSTRAINT "saves_set_key_sets_key_fk" FOREIGN KEY ("set_key") REFERENCES "public"."sets"("key") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "refused" ADD CONSTRAINT "refused_set_key_sets_key_fk" FOREIGN KEY ("set_key") REFERENCES "public"."sets"("key") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "revisions" ADD CONSTRAINT "revisions_set_key_sets_key_fk" FOREIGN KEY ("set_key") REFERENCES "public"."sets"("key") ON DELETE cascade ON UPDATE no action;