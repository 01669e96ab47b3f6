import { relations } from "drizzle-orm";
import { album, card, day, dayPhoto, jotting } from "./album.ts";
import { leaf, pocketLayout, side, sideGuest, tryOut } from "./book.ts";
import { thing } from "./drawer.ts";
import { household, member } from "./household.ts";
import { knownEvent } from "./known.ts";
import { photo, pictureTrait } from "./photo.ts";
import { labOrder, print, printSheet } from "./print.ts";
import { tally, tallyMark } from "./tally.ts";

export * from "./album.ts";
export * from "./book.ts";
export * from "./drawer.ts";
export * from "./feed.ts";
export * from "./household.ts";
export * from "./journal.ts";
export * from "./known.ts";
export * from "./pace.ts";
export * from "./photo.ts";
export * from "./print.ts";
export * from "./share.ts";
export * from "./tally.ts";
export * from "./words.ts";
export * from "./work.ts";

export const albumRelations = relations(album, ({ one, many }) => ({
  household: one(household, { fields: [album.householdId], references: [household.id] }),
  days: many(day),
  leaves: many(leaf),
  prints: many(print),
  known: many(knownEvent),
  tallies: many(tally),
}));
export const tallyRelations = relations(tally, ({ one, many }) => ({
  album: one(album, { fields: [tally.albumId], references: [album.id] }),
  marks: many(tallyMark),
}));
export const tallyMarkRelations = relations(tallyMark, ({ one }) => ({
  tally: one(tally, { fields: [tallyMark.tallyId], references: [tally.id] }),
  writer: one(member, { fields: [tallyMark.writtenBy], references: [member.id] }),
}));
export const knownEventRelations = relations(knownEvent, ({ one }) => ({
  album: one(album, { fields: [knownEvent.albumId], references: [album.id] }),
}));
export const printRelations = relations(print, ({ one }) => ({
  album: one(album, { fields: [print.albumId], references: [album.id] }),
  sheet: one(printSheet, { fields: [print.sheetId], references: [printSheet.id] }),
  order: one(labOrder, { fields: [print.orderId], references: [labOrder.id] }),
}));
export const photoRelations = relations(photo, ({ one }) => ({
  trait: one(pictureTrait, { fields: [photo.sha256], references: [pictureTrait.sha256] }),
}));
export const householdRelations = relations(household, ({ many }) => ({
  layouts: many(pocketLayout),
  things: many(thing),
}));
export const thingRelations = relations(thing, ({ one }) => ({
  household: one(household, { fields: [thing.householdId], references: [household.id] }),
  photo: one(photo, { fields: [thing.photoId], references: [photo.id] }),
}));
export const pocketLayoutRelations = relations(pocketLayout, ({ one }) => ({
  household: one(household, { fields: [pocketLayout.householdId], references: [household.id] }),
}));
export const leafRelations = relations(leaf, ({ one, many }) => ({
  album: one(album, { fields: [leaf.albumId], references: [album.id] }),
  lastWriter: one(member, { fields: [leaf.updatedBy], references: [member.id] }),
  sides: many(side),
}));
export const sideRelations = relations(side, ({ one, many }) => ({
  leaf: one(leaf, { fields: [side.leafId], references: [leaf.id] }),
  guests: many(sideGuest),
  tryOuts: many(tryOut),
}));
export const sideGuestRelations = relations(sideGuest, ({ one }) => ({
  side: one(side, { fields: [sideGuest.leafId, sideGuest.face], references: [side.leafId, side.face] }),
}));
export const tryOutRelations = relations(tryOut, ({ one }) => ({
  side: one(side, { fields: [tryOut.leafId, tryOut.face], references: [side.leafId, side.face] }),
}));
export const dayRelations = relations(day, ({ one, many }) => ({
  album: one(album, { fields: [day.albumId], references: [album.id] }),
  lastWriter: one(member, { fields: [day.updatedBy], references: [member.id] }),
  cards: many(card),
  jottings: many(jotting),
  photos: many(dayPhoto),
}));
export const cardRelations = relations(card, ({ one }) => ({
  day: one(day, { fields: [card.dayId], references: [day.id] }),
  writer: one(member, { fields: [card.writtenBy], references: [member.id] }),
  preprintPicture: one(photo, { fields: [card.preprintPhoto], references: [photo.id] }),
}));
export const jottingRelations = relations(jotting, ({ one }) => ({
  day: one(day, { fields: [jotting.dayId], references: [day.id] }),
  writer: one(member, { fields: [jotting.writtenBy], references: [member.id] }),
}));
export const dayPhotoRelations = relations(dayPhoto, ({ one }) => ({
  day: one(day, { fields: [dayPhoto.dayId], references: [day.id] }),
  photo: one(photo, { fields: [dayPhoto.photoId], references: [photo.id] }),
}));
