const words = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'];

/** A small number as it is written in a sentence. */
export const numberWord = (n: number) => words[n] ?? String(n);
