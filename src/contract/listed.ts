const LIST = new Intl.ListFormat('en-GB');

/** Several things in a sentence: "a, b and c". */
export const listed = (names: Iterable<string>): string => LIST.format(names);
