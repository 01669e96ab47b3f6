/** `1 day`, `3 days`, `2 leaves`: a number with what it counts. */
export const many = (count: number, one: string, more = `${one}s`): string => `${count} ${count === 1 ? one : more}`;
