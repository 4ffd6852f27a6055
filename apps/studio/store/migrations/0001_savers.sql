ALTER TABLE "revisions" ADD COLUMN "begun_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "revisions" ADD COLUMN "saved_by" text DEFAULT '' NOT NULL;