/** What heats a stage, and where. */
export interface HeatedLike {
  rest?: boolean | undefined;
  hold?: string | undefined;
  grill?: boolean | undefined;
  fan?: boolean | undefined;
  fryerId?: string | undefined;
  fryerName?: string | undefined;
}

/** Whether the food waits outside in a stage. */
export const waits = (st: HeatedLike) => st.rest === true || st.hold !== undefined;

/** A stage's dial, said so, with what heats and where; short for a drawing. */
export function heated(st: HeatedLike, dial: string, short = false): string {
  if (waits(st)) return 'rest';
  const grill = st.grill ? (short ? ' grill' : ` under the grill${st.fan === false ? ', fan off' : ''}`) : '';
  const where = st.fryerId ? (short ? ' ⇢' : `, in ${st.fryerName ?? 'the other fryer'}`) : '';
  return dial + grill + where;
}
