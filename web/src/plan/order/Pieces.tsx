import { limitOf, within } from '../../api/limits';
import { setPiecesOf } from '../../dish/edits';
import { once, runIn } from '../../ui/history';
import { Labelled, Select } from '../../ui/Select';
import { say } from '../../ui/toast';
import { Stepper } from '../../ui/Stepper';
import { later } from '../../ui/later';
import { LotButtons } from './LotTools';
import { OrderPart, type Order } from './part';

const CutPicker = later(async () => (await import('./CutPicker')).CutPicker);

/** How many of which cut. */
export function Pieces(order: Order) {
  const { load, at, edit, editLot, catalog, units } = order;
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
            onChange={(pieces) =>
              edit(runIn('pieces', at), (now) => setPiecesOf(now, at, { ...load, pieces }, catalog))
            }
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
              edit(runIn('pieces', at), (now) => setPiecesOf(now, at, { ...load, pieces }, catalog));
            }}
          />
          <LotButtons {...order} close={close} />
          <Labelled>
            <span>Or bought for the fryer, out of the freezer</span>
            <Select
              value=""
              onChange={(e) => {
                const p = catalog.presets.find((one) => one.id === e.target.value);
                if (!p) return;
                editLot(once, (now) => ({ ...now, load: p.load, coat: p.coat, bench: { drying: {}, coating: {} } }));
                say(`${p.name}. ${p.note} For an oven packets say ${units.temperature(p.fromC)}, ${p.takes} min.`);
                close();
              }}
            >
              <option value="">choose…</option>
              {catalog.presets.map((p) => (
                <option key={p.id} value={p.id}>
                  {p.name}
                </option>
              ))}
            </Select>
          </Labelled>
          <CutPicker
            catalog={catalog}
            value={load.cut}
            units={units}
            onChange={(next) => {
              if (next.id !== load.cut)
                edit(runIn('cut', at), (now) =>
                  setPiecesOf(
                    now,
                    at,
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
