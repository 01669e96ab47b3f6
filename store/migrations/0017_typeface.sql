-- What words are set in is called a typeface; a face is the front or the back.
UPDATE card SET setting = jsonb_set(setting #- '{lettering,face}', '{lettering,typeface}', setting #> '{lettering,face}')
WHERE setting -> 'lettering' ? 'face';
