CREATE TABLE "album" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"household_id" uuid NOT NULL,
	"archive_id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"title" text NOT NULL,
	"unit" text NOT NULL,
	"numbering" text NOT NULL,
	"starts_on" date NOT NULL,
	"ends_on" date NOT NULL,
	"format_name" text NOT NULL,
	"binding" text NOT NULL,
	"nominal_w" integer NOT NULL,
	"nominal_h" integer NOT NULL,
	"opening_w" integer NOT NULL,
	"opening_h" integer NOT NULL,
	"outer_w" integer NOT NULL,
	"outer_h" integer NOT NULL,
	"margin" integer NOT NULL,
	"capacity_micrometres" integer NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	CONSTRAINT "album_title_said" CHECK ("album"."title" <> ''),
	CONSTRAINT "album_span" CHECK ("album"."ends_on" >= "album"."starts_on" and "album"."ends_on" - "album"."starts_on" < 62),
	CONSTRAINT "album_sizes" CHECK (least("album"."nominal_w", "album"."nominal_h", "album"."opening_w", "album"."opening_h") > 0),
	CONSTRAINT "album_outer" CHECK ("album"."outer_w" >= "album"."opening_w" and "album"."outer_h" >= "album"."opening_h"),
	CONSTRAINT "album_margin" CHECK ("album"."margin" >= 0 and "album"."margin" < "album"."outer_w")
);
--> statement-breakpoint
CREATE TABLE "card" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"day_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"w" integer NOT NULL,
	"h" integer NOT NULL,
	"deleted_at" timestamp with time zone,
	"text" text NOT NULL,
	CONSTRAINT "card_size" CHECK ("card"."w" > 0 and "card"."h" > 0)
);
--> statement-breakpoint
CREATE TABLE "day" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"album_id" uuid NOT NULL,
	"date" date NOT NULL,
	"skipped" boolean DEFAULT false NOT NULL,
	"merged_into" uuid,
	"title" text DEFAULT '' NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"prompt_text" text DEFAULT '' NOT NULL,
	"prompt_slip" text,
	"waived" text[] DEFAULT '{}' NOT NULL,
	"foundation" jsonb,
	"page_w" integer,
	"page_h" integer,
	"numeral_style" text DEFAULT 'printed' NOT NULL,
	"numeral_note" text DEFAULT '' NOT NULL,
	"done" text[] DEFAULT '{}' NOT NULL,
	"version" integer DEFAULT 0 NOT NULL,
	"updated_at" timestamp with time zone,
	"updated_by" uuid,
	CONSTRAINT "day_date_once" UNIQUE("album_id","date") DEFERRABLE INITIALLY DEFERRED,
	CONSTRAINT "day_not_into_itself" CHECK ("day"."merged_into" <> "day"."id"),
	CONSTRAINT "day_page_size" CHECK (("day"."page_w" is null) = ("day"."page_h" is null) and coalesce("day"."page_w", 1) > 0 and coalesce("day"."page_h", 1) > 0)
);
--> statement-breakpoint
CREATE TABLE "day_change" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"act" uuid NOT NULL,
	"day_id" uuid NOT NULL,
	"version" integer NOT NULL,
	"member_id" uuid,
	"at" timestamp with time zone NOT NULL,
	"fields" text[] NOT NULL,
	"before" jsonb NOT NULL,
	"settled" boolean DEFAULT false NOT NULL,
	CONSTRAINT "day_change_version" UNIQUE("day_id","version")
);
--> statement-breakpoint
CREATE TABLE "day_insert" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"day_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"w" integer NOT NULL,
	"h" integer NOT NULL,
	"deleted_at" timestamp with time zone,
	"kind" text NOT NULL,
	"note" text NOT NULL,
	CONSTRAINT "day_insert_size" CHECK ("day_insert"."w" > 0 and "day_insert"."h" > 0)
);
--> statement-breakpoint
CREATE TABLE "day_photo" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"day_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"w" integer NOT NULL,
	"h" integer NOT NULL,
	"deleted_at" timestamp with time zone,
	"photo_id" uuid NOT NULL,
	"alt" text DEFAULT '' NOT NULL,
	CONSTRAINT "day_photo_size" CHECK ("day_photo"."w" > 0 and "day_photo"."h" > 0)
);
--> statement-breakpoint
CREATE TABLE "household" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"time_zone" text NOT NULL,
	"fixed_now" text,
	"is_demo" boolean DEFAULT false NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "member" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"household_id" uuid NOT NULL,
	"name" text NOT NULL,
	"mail" text,
	"passphrase_hash" text,
	CONSTRAINT "member_mail_lower" CHECK ("member"."mail" = lower("member"."mail")),
	CONSTRAINT "member_mail_has_passphrase" CHECK (("member"."mail" is null) = ("member"."passphrase_hash" is null))
);
--> statement-breakpoint
CREATE TABLE "session" (
	"token_hash" text PRIMARY KEY NOT NULL,
	"member_id" uuid NOT NULL,
	"expires_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "sign_in_try" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"key" text NOT NULL,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "photo" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"household_id" uuid NOT NULL,
	"sha256" text NOT NULL,
	"name" text NOT NULL,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"captured_at" text,
	"utc_offset" text,
	"has_place" boolean NOT NULL,
	"added_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "photo_once" UNIQUE("household_id","sha256"),
	CONSTRAINT "photo_size" CHECK ("photo"."width" > 0 and "photo"."height" > 0)
);
--> statement-breakpoint
CREATE TABLE "picture" (
	"sha256" text PRIMARY KEY NOT NULL,
	"mime" text NOT NULL,
	"bytes" "bytea" NOT NULL
);
--> statement-breakpoint
CREATE TABLE "picture_version" (
	"sha256" text NOT NULL,
	"long_side" integer NOT NULL,
	"bytes" "bytea" NOT NULL,
	CONSTRAINT "picture_version_sha256_long_side_pk" PRIMARY KEY("sha256","long_side")
);
--> statement-breakpoint
ALTER TABLE "album" ADD CONSTRAINT "album_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "card" ADD CONSTRAINT "card_day_id_day_id_fk" FOREIGN KEY ("day_id") REFERENCES "public"."day"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "day" ADD CONSTRAINT "day_album_id_album_id_fk" FOREIGN KEY ("album_id") REFERENCES "public"."album"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "day" ADD CONSTRAINT "day_merged_into_day_id_fk" FOREIGN KEY ("merged_into") REFERENCES "public"."day"("id") ON DELETE no action ON UPDATE no action DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
ALTER TABLE "day" ADD CONSTRAINT "day_updated_by_member_id_fk" FOREIGN KEY ("updated_by") REFERENCES "public"."member"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "day_change" ADD CONSTRAINT "day_change_day_id_day_id_fk" FOREIGN KEY ("day_id") REFERENCES "public"."day"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "day_change" ADD CONSTRAINT "day_change_member_id_member_id_fk" FOREIGN KEY ("member_id") REFERENCES "public"."member"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "day_insert" ADD CONSTRAINT "day_insert_day_id_day_id_fk" FOREIGN KEY ("day_id") REFERENCES "public"."day"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "day_photo" ADD CONSTRAINT "day_photo_day_id_day_id_fk" FOREIGN KEY ("day_id") REFERENCES "public"."day"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "day_photo" ADD CONSTRAINT "day_photo_photo_id_photo_id_fk" FOREIGN KEY ("photo_id") REFERENCES "public"."photo"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "member" ADD CONSTRAINT "member_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "session" ADD CONSTRAINT "session_member_id_member_id_fk" FOREIGN KEY ("member_id") REFERENCES "public"."member"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "photo" ADD CONSTRAINT "photo_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "photo" ADD CONSTRAINT "photo_sha256_picture_sha256_fk" FOREIGN KEY ("sha256") REFERENCES "public"."picture"("sha256") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "picture_version" ADD CONSTRAINT "picture_version_sha256_picture_sha256_fk" FOREIGN KEY ("sha256") REFERENCES "public"."picture"("sha256") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "album_household" ON "album" USING btree ("household_id");--> statement-breakpoint
CREATE INDEX "card_day" ON "card" USING btree ("day_id");--> statement-breakpoint
CREATE INDEX "day_change_act" ON "day_change" USING btree ("act");--> statement-breakpoint
CREATE INDEX "day_insert_day" ON "day_insert" USING btree ("day_id");--> statement-breakpoint
CREATE INDEX "day_photo_day" ON "day_photo" USING btree ("day_id");--> statement-breakpoint
CREATE INDEX "day_photo_photo" ON "day_photo" USING btree ("photo_id");--> statement-breakpoint
CREATE UNIQUE INDEX "member_mail_once" ON "member" USING btree ("mail");--> statement-breakpoint
CREATE INDEX "member_household" ON "member" USING btree ("household_id");--> statement-breakpoint
CREATE INDEX "session_expiry" ON "session" USING btree ("expires_at");--> statement-breakpoint
CREATE INDEX "sign_in_try_key" ON "sign_in_try" USING btree ("key","at");--> statement-breakpoint
CREATE INDEX "photo_picture" ON "photo" USING btree ("sha256");