/** What is to be closed once the tests of a file are done; whoever opens it adds it. */
export const atEnd: (() => Promise<unknown>)[] = [];
