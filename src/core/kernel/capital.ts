/** Words as they begin a sentence or a heading: the first letter large. */
export const capital = (words: string): string => `${words.slice(0, 1).toUpperCase()}${words.slice(1)}`;
