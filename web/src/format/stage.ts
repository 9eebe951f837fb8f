/** What heats a stage, and where. */
export interface HeatedLike {
  rest?: boolean | undefined;
  grill?: boolean | undefined;
  fan?: boolean | undefined;
  fryerId?: string | undefined;
  fryerName?: string | undefined;
}

/** A stage's dial, said so, with what heats and where; short for a drawing. */
export function heated(st: HeatedLike, dial: string, short = false): string {
  if (st.rest) return 'rest';
  const grill = st.grill ? (short ? ' grill' : ` under the grill${st.fan === false ? ', fan off' : ''}`) : '';
  const where = st.fryerId ? (short ? ' ⇢' : `, in ${st.fryerName ?? 'the other fryer'}`) : '';
  return dial + grill + where;
}
