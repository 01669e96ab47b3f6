-- The page of a day, or of the front or back matter, that was made wet: nothing goes on it before this day.
ALTER TABLE "day" ADD COLUMN "dries_until" date;
