-- What words are set in is called a typeface; a face is the front or the back.
UPDATE card SET setting = jsonb_set(setting #- '{lettering,face}', '{lettering,typeface}', setting #> '{lettering,face}')
WHERE setting -> 'lettering' ? 'face';
--> statement-breakpoint
-- What a card's print was made with is compared letter by letter with how it would be made now: as it is kept in the card's
-- row, where the names stand in another order now, or as it is usual for the card's size.
UPDATE print SET made_as = regexp_replace(
  regexp_replace(made_as, '\{"face":("[a-z]+"),("kind":"typed"[^{}]*)\}', '{\2,"typeface":\1}'),
  '("lettering":\{"kind":"typed",)"face":', '\1"typeface":'
) WHERE card_id IS NOT NULL AND made_as LIKE '%"face":%';
