ALTER TABLE "work" DROP CONSTRAINT "work_kind";--> statement-breakpoint
ALTER TABLE "work" ADD CONSTRAINT "work_kind" CHECK ("work"."kind" in ('read-archive', 'write-archive', 'write-document'));