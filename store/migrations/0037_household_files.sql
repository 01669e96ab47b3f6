-- A household's file is written and read in the background too.
ALTER TABLE "work" DROP CONSTRAINT "work_kind";
--> statement-breakpoint
ALTER TABLE "work" ADD CONSTRAINT "work_kind" CHECK ("work"."kind" in ('read-archive', 'write-archive', 'write-document', 'write-household'));
