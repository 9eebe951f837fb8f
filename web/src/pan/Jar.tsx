/** A jar with what is in it, and the band that this load takes. */
export function Jar({ jarG, takesG }: { jarG: number; takesG: number }) {
  const most = Math.max(jarG, takesG, 1);
  const high = 46;
  const full = (g: number) => 62 - (high * g) / most;
  return (
    <svg width="52" height="70" viewBox="0 0 52 70" aria-hidden>
      <rect x="14" y="3" width="24" height="7" rx="2" fill="var(--ink)" />
      <path d={`M7 ${full(jarG)}h38v${62 - full(jarG)}q0 4-4 4h-30q-4 0-4-4z`} fill="var(--board)" />
      <rect
        x="7"
        y={full(jarG)}
        width="38"
        height={Math.max(2, full(Math.max(0, jarG - takesG)) - full(jarG))}
        fill="var(--sauce)"
      />
      <path
        d="M13 11h26q7 2 7 10v41q0 5-5 5H11q-5 0-5-5V21q0-8 7-10z"
        fill="none"
        stroke="var(--ink)"
        strokeWidth="2.2"
      />
    </svg>
  );
}
