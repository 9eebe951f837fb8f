import { limitOf, within } from '../../api/limits';
import { setCoat, setLoad, setOil, setSugar, setSurface } from '../../dish/edits';
import { hours } from '../../format/units';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Stepper } from '../../ui/Stepper';
import { OrderPart, type Order } from './part';
import { Small } from './Size';
import styled from 'styled-components';

const Scroll = styled.div`
  max-height: 300px;
  overflow: auto;
  margin: 0 -6px;
  padding: 4px 6px;
`;

type Load = Order['lot']['load'];

/** Whether it goes in frozen, or was fried or cooked before: then nobody wipes it. */
export const comesReady = ({ load, bench }: Order['lot'], { usual }: Order['catalog']) =>
  (load.state ?? 'raw') !== 'raw' || ((load.startC ?? 0) <= usual.frozenUnderC && !bench?.thaw);

const stateSays = ({ state, inside }: Load) =>
  state === 'cooked'
    ? ' and cooked before'
    : state === 'par-fried'
      ? ` and par-fried${inside === 'cooked' ? ', cooked inside' : ''}`
      : '';

/** How cold it is inside when it goes in, and how far it was cooked before. */
export function Cold({ lot, editLot, catalog, units }: Order) {
  const { fridgeC, freezerC, roomC, frozenUnderC } = catalog.usual;
  const startC = lot.load.startC ?? fridgeC;
  const frozen = startC <= frozenUnderC;
  const thaw = frozen && lot.bench?.thaw === true;
  const warmth = catalog.usual.warmth.find((w) => startC < w.underC)?.says ?? '';
  const says = `${thaw ? 'thawed in the fridge' : warmth}${stateSays(lot.load)}`;
  const as = lot.load.state === 'par-fried' && lot.load.inside === 'cooked' ? 'heated' : (lot.load.state ?? 'raw');
  return (
    <OrderPart title="How does it come" text={says} width={440}>
      <Choice
        label="Out of"
        quiet
        row
        options={[
          { id: 'freezer', name: 'the freezer' },
          { id: 'fridge', name: 'the fridge' },
          { id: 'room', name: 'the room' },
        ]}
        value={frozen ? 'freezer' : lot.load.startC === undefined || startC < 12 ? 'fridge' : 'room'}
        onChange={(from) =>
          editLot('start', (now) =>
            setLoad(now, {
              startC: from === 'freezer' ? freezerC : from === 'fridge' ? undefined : roomC,
              ...(from === 'freezer' ? {} : { glazePct: undefined, clump: undefined }),
            }),
          )
        }
      />
      <Choice
        label="Before"
        quiet
        options={[
          { id: 'raw', name: 'Raw' },
          {
            id: 'par-fried',
            name: 'Fried in its coat for a minute',
            note: 'raw inside: the packet says to cook it through',
          },
          { id: 'heated', name: 'Fried in its coat, cooked inside', note: 'the packet says to heat it through' },
          { id: 'cooked', name: 'Cooked, and left over' },
        ]}
        value={as}
        onChange={(to) =>
          editLot('state', (now) =>
            setLoad(now, {
              state: to === 'raw' ? undefined : to === 'heated' ? 'par-fried' : to,
              inside: to === 'heated' ? 'cooked' : undefined,
            }),
          )
        }
      />
      {frozen && as === 'raw' ? (
        <Choice
          label="First"
          quiet
          row
          options={[
            { id: 'frozen', name: 'Straight in' },
            { id: 'thaw', name: 'Thawed in the fridge' },
          ]}
          value={thaw ? 'thaw' : 'frozen'}
          onChange={(to) =>
            editLot('thaw', (now) => ({
              ...now,
              bench: {
                ...(now.bench ?? { drying: {}, coating: {} }),
                thaw: to === 'thaw' ? true : undefined,
              },
            }))
          }
        />
      ) : null}
      {frozen && !thaw ? (
        <Stepper
          label="Ice on the outside"
          unit="g in 100 g"
          value={lot.load.glazePct ?? 0}
          {...within(catalog, 'load.glazePct')}
          onChange={(glazePct) => editLot('glaze', (now) => setLoad(now, { glazePct: glazePct || undefined }))}
        />
      ) : null}
      {frozen && !thaw && lot.load.pieces > 1 ? (
        <Stepper
          label="Frozen together"
          unit="pieces to a lump"
          value={lot.load.clump ?? 1}
          {...within(catalog, 'load.clump')}
          min={1}
          onChange={(clump) => editLot('clump', (now) => setLoad(now, { clump: clump > 1 ? clump : undefined }))}
        />
      ) : null}
      <Stepper
        label="Inside, when it goes in"
        value={units.heat.to(startC)}
        {...units.heat.stepper(limitOf(catalog, 'load.startC'))}
        onChange={(d) => editLot('start', (now) => setLoad(now, { startC: units.heat.from(d) }))}
      />
      <Small>
        Straight from the fridge is about {units.temperature(fridgeC)}, from the freezer {units.temperature(freezerC)}.
        {frozen ? ' What the label says comes first.' : ''}
      </Small>
    </OrderPart>
  );
}

const dried: Record<string, string> = { wipe: 'wiped dry', rinse: 'rinsed and wiped', wet: 'still wet' };

/** How dry it is outside; the bench may have its own word. */
export function Dry({ lot, editLot, catalog }: Order) {
  const surface = lot.load.surface ?? catalog.usual.load.surface ?? '';
  const { school, hours: h } = lot.bench?.drying ?? {};
  const says = school
    ? (dried[school] ?? `dried ${hours(h ?? 0)} on the rack`)
    : (catalog.surfaces.find((s) => s.id === surface)?.says ?? '');
  return (
    <OrderPart title="How dry is it outside" text={says}>
      {(close) => (
        <>
          <Choice
            label="Outside"
            quiet
            options={catalog.surfaces.map((s) => ({ id: s.id, name: s.name }))}
            value={school ? null : surface}
            onChange={(s) => editLot('surface', (now) => setSurface(now, s))}
            onMeant={close}
          />
          <Small>A dry surface decides crispness. Raw poultry is wiped, not rinsed: splashes spread germs.</Small>
        </>
      )}
    </OrderPart>
  );
}

/** In which coat, with how much oil and sugar. */
export function Coat({ lot, editLot, catalog, units, coatSays, toBench }: Order) {
  const coat = lot.coat ?? {};
  const says = coat.layers
    ? (coatSays ?? 'in a coat of your own')
    : (catalog.coats.find((c) => c.id === (coat.id ?? 'bare'))?.says ?? 'bare');
  const way = lot.bench?.coating.oil;
  const oiled = way ? way !== 'none' : (coat.oilG ?? 0) > 0;
  return (
    <OrderPart title="In which coat" text={`${says}${oiled && coat.id !== 'oil-rub' ? ' and oiled' : ''}`} width={440}>
      <Scroll>
        <Choice
          label="Coat"
          quiet
          options={catalog.coats.map((c) => ({
            id: c.id,
            name: c.name,
            ...(c.allergens.length > 0 ? { note: `holds ${c.allergens.join(', ')}` } : {}),
          }))}
          value={coat.layers ? null : (coat.id ?? 'bare')}
          onChange={(id) => editLot('coat', (now) => setCoat(now, id))}
        />
      </Scroll>
      <Button onPress={toBench}>{coat.layers ? 'Change what it is made of' : 'One of your own, on the bench'}</Button>
      <Stepper
        label="Oil on all of it"
        value={units.weight.to(coat.oilG ?? 0)}
        {...units.weight.stepper(limitOf(catalog, 'coat.oilG'))}
        onChange={(m) => editLot('oil', (now) => setOil(now, units.weight.from(m)))}
      />
      {way ? <Small>It is put on as the bench has it; a weight said here takes its place.</Small> : null}
      <Stepper
        label="Sugar in rub or marinade"
        unit="% of the surface"
        value={coat.sugarPct ?? 0}
        {...within(catalog, 'coat.sugarPct')}
        onChange={(sugarPct) => editLot('sugar', (now) => setSugar(now, sugarPct))}
      />
      {lot.bench?.marinade?.items.length ? <Small>That of the marinade comes on top.</Small> : null}
    </OrderPart>
  );
}
