declare module 'subset-font' {
  /** Cuts a font down to the letters of a text and to a part of its axes. */
  export default function subsetFont(
    font: Buffer,
    text: string,
    options: { targetFormat: 'woff2'; variationAxes?: Record<string, number | { min: number; max: number }> },
  ): Promise<Buffer>;
}
