-- The faces that a keeper marked on a picture.
ALTER TABLE "photo" ADD COLUMN "faces" jsonb DEFAULT '[]'::jsonb NOT NULL;
