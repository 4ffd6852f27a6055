CREATE TABLE "refused" (
	"id" bigint PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "refused_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 1 CACHE 1),
	"set_id" text NOT NULL,
	"base_revision" integer NOT NULL,
	"document" json NOT NULL,
	"saved_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "revisions" (
	"set_id" text NOT NULL,
	"revision" integer NOT NULL,
	"document" json NOT NULL,
	"saved_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "revisions_set_id_revision_pk" PRIMARY KEY("set_id","revision")
);
--> statement-breakpoint
CREATE TABLE "sets" (
	"id" text PRIMARY KEY NOT NULL,
	"revision" integer NOT NULL,
	"document" json NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE INDEX "refused_by_set" ON "refused" USING btree ("set_id");