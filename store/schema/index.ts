import { relations } from "drizzle-orm";
import { album, card, day, dayInsert, dayPhoto } from "./album.ts";
import { member } from "./household.ts";
import { photo } from "./photo.ts";

export * from "./album.ts";
export * from "./household.ts";
export * from "./photo.ts";

export const albumRelations = relations(album, ({ many }) => ({ days: many(day) }));
export const dayRelations = relations(day, ({ one, many }) => ({
  album: one(album, { fields: [day.albumId], references: [album.id] }),
  lastWriter: one(member, { fields: [day.updatedBy], references: [member.id] }),
  cards: many(card),
  inserts: many(dayInsert),
  photos: many(dayPhoto),
}));
export const cardRelations = relations(card, ({ one }) => ({
  day: one(day, { fields: [card.dayId], references: [day.id] }),
}));
export const insertRelations = relations(dayInsert, ({ one }) => ({
  day: one(day, { fields: [dayInsert.dayId], references: [day.id] }),
}));
export const dayPhotoRelations = relations(dayPhoto, ({ one }) => ({
  day: one(day, { fields: [dayPhoto.dayId], references: [day.id] }),
  photo: one(photo, { fields: [dayPhoto.photoId], references: [photo.id] }),
}));
