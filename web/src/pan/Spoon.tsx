/** The back of a spoon, how much of a sauce stays on it, and the drops that fall. */
export function Spoon({ clingsG, drops }: { clingsG: number; drops: number }) {
  // From a wash that leaves a rim to a mound over the edge.
  const film = Math.min(1, Math.max(0, (clingsG - 3) / 12));
  return (
    <svg width="64" height="84" viewBox="0 0 64 84" aria-hidden>
      <path d="M32 6V34" stroke="var(--ink)" strokeWidth="4.5" strokeLinecap="round" />
      <ellipse cx="32" cy="46" rx="18" ry="23" fill="var(--surface)" stroke="var(--ink)" strokeWidth="2.2" />
      <path
        d={`M${32 - 16 - 5 * film} ${48 - 16 * film}Q32 ${40 - 20 * film} ${32 + 16 + 5 * film} ${48 - 16 * film}Q${34 + 16 + 5 * film} ${66 + 5 * film} 32 ${69 + 6 * film}Q${30 - 16 - 5 * film} ${66 + 5 * film} ${32 - 16 - 5 * film} ${48 - 16 * film}z`}
        fill="var(--sauce)"
        opacity={0.5 + 0.5 * film}
      />
      {Array.from({ length: drops }, (_, i) => (
        <path key={i} d={`M${32 + (i - 1) * 9} ${72 + (i % 2) * 3}q-3.2 5 0 7q3.2-2 0-7z`} fill="var(--sauce)" />
      ))}
    </svg>
  );
}
