/** Words as a person counts them: runs of letters or digits, apostrophes and hyphens inside a word not dividing it. */
export const countWords = (text: string): number => text.match(/[\p{L}\p{N}]+(?:['’\-‐][\p{L}\p{N}]+)*/gu)?.length ?? 0;
