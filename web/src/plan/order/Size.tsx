import { Fragment } from 'react';
import styled from 'styled-components';
import type { Simulation } from '../../api/client';
import { setPiecesOf } from '../../dish/edits';
import { Quiet } from '../../ui/layout';
import { Stepper } from '../../ui/Stepper';
import { OrderPart, type Order } from './part';
import { Ruler } from './Ruler';
import { SideRuler } from './SideRuler';

export const Small = styled(Quiet)`
  font-size: 14px;
`;

/** What a ruler may read of what has no size yet, mm. */
const UNMEASURED = { leastMm: 5, mostMm: 80, thicknessMm: 25 };

/** What one piece weighs and how thick it is. */
export function Size({ load, at, edit, catalog, units, piece }: Order & { piece: Simulation['piece'] | null }) {
  const cut = catalog.cuts.find((c) => c.id === load.cut);
  const mass = (pieceMassG: number) =>
    edit('mass', (now) =>
      setPiecesOf(now, at, { ...load, pieceMassG: Math.round(pieceMassG * 10) / 10, thicknessMm: undefined }, catalog),
    );
  // Where it is refused for want of a ruler, nothing is worked out yet.
  const { leastMm, mostMm, thicknessMm } = piece ?? UNMEASURED;
  const thick = load.thicknessMm ?? thicknessMm;
  const toWhole = units.whole.g / load.pieceMassG;
  const tenth = (v: number) => Math.round(v * 10) / 10;
  const byWeight = (
    <Fragment key="weight">
      {cut ? (
        <>
          <Stepper
            label="One piece weighs"
            value={units.weight.to(load.pieceMassG)}
            {...units.weight.stepper({ min: cut.leastG, max: cut.mostG, step: 1 })}
            onChange={(m) => mass(units.weight.from(m))}
          />
          <Stepper
            label={`Or pieces to the ${units.whole.name}`}
            value={tenth(toWhole)}
            min={Math.ceil((units.whole.g / cut.mostG) * 10) / 10}
            max={Math.floor((units.whole.g / cut.leastG) * 10) / 10}
            step={toWhole < 12 ? 0.5 : 1}
            onChange={(n) => mass(units.whole.g / n)}
          />
        </>
      ) : null}
    </Fragment>
  );
  const byRuler = (
    <Fragment key="ruler">
      <Stepper
        label="Thickest part, by ruler"
        value={units.length.to(thick)}
        {...units.length.stepper({ min: leastMm, max: mostMm, step: 1 })}
        onChange={(v) =>
          edit('thickness', (now) => setPiecesOf(now, at, { ...load, thicknessMm: units.length.from(v) }, catalog))
        }
      />
      {cut?.ruler ? (
        <>
          <SideRuler cut={cut} mm={thick} units={units} />
          <Small>Measure {cut.ruler.says}.</Small>
        </>
      ) : (
        <Ruler mm={thick} units={units} />
      )}
    </Fragment>
  );
  return (
    <OrderPart
      title="How big is one"
      text={`${units.mass(load.pieceMassG)}${cut?.ruler && piece ? ` and ${units.length.words(thick)} thick` : ''}`}
    >
      {cut?.ruler ? [byRuler, byWeight] : [byWeight, byRuler]}
      <Small>
        {load.thicknessMm
          ? 'By your ruler. A change of weight works it out anew.'
          : cut?.ruler
            ? 'Worked out from the weight and the usual shape. The time goes by the thickness: measure a large one.'
            : 'Worked out from the weight and the shape of the cut. A ruler does better.'}
      </Small>
    </OrderPart>
  );
}
