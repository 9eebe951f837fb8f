import { limitOf, within } from '../../api/limits';
import { setGroups, setPieces } from '../../dish/edits';
import { Button } from '../../ui/Button';
import { Stepper } from '../../ui/Stepper';
import { later } from '../../ui/later';
import { OrderPart, type Order } from './part';

const CutPicker = later(async () => (await import('./CutPicker')).CutPicker);

/** How many of which cut. */
export function Pieces({ plan, load, edit, catalog, units }: Order) {
  const cut = catalog.cuts.find((c) => c.id === load.cut);
  const name = load.pieces === 1 ? cut?.name : cut?.plural;
  return (
    <OrderPart title="How many" text={`${load.pieces} ${name ?? ''}`} width={440}>
      {(close) => (
        <>
          <Stepper
            label="Pieces in all"
            value={load.pieces}
            {...within(catalog, 'load.pieces')}
            onChange={(pieces) => edit('pieces', (now) => setPieces(now, { ...load, pieces }, catalog))}
          />
          <Stepper
            label={`By weight: all together, of about ${units.mass(load.pieceMassG)} each`}
            value={units.weight.to(load.pieces * load.pieceMassG)}
            {...units.weight.stepper({
              min: load.pieceMassG,
              max: load.pieceMassG * limitOf(catalog, 'load.pieces').max,
              step: load.pieceMassG,
            })}
            onChange={(w) => {
              const pieces = Math.max(1, Math.round(units.weight.from(w) / load.pieceMassG));
              edit('pieces', (now) => setPieces(now, { ...load, pieces }, catalog));
            }}
          />
          {(plan.groups?.length ?? 0) < limitOf(catalog, 'groups').max ? (
            <Button
              onPress={() => {
                close();
                edit('put a group in', (now) =>
                  setGroups(now, [
                    ...(now.groups ?? []),
                    {
                      load: {
                        cut: load.cut,
                        pieces: Math.max(1, Math.floor(load.pieces / 2)),
                        pieceMassG: load.pieceMassG,
                      },
                    },
                  ]),
                );
              }}
            >
              Something else beside them
            </Button>
          ) : null}
          <CutPicker
            cuts={catalog.cuts}
            value={load.cut}
            units={units}
            onChange={(next) => {
              if (next.id !== load.cut)
                edit('cut', (now) =>
                  setPieces(
                    now,
                    {
                      ...load,
                      cut: next.id,
                      pieceMassG: next.typicalG,
                      thicknessMm: undefined,
                      spreadPct: undefined,
                    },
                    catalog,
                  ),
                );
              close();
            }}
          />
        </>
      )}
    </OrderPart>
  );
}
