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

/** How cold it is inside when it goes in. */
export function Cold({ lot, editLot, catalog, units }: Order) {
  const startC = lot.load.startC ?? catalog.usual.load.startC ?? 0;
  const says = catalog.usual.warmth.find((w) => startC < w.underC)?.says ?? '';
  return (
    <OrderPart title="How cold is it" text={says}>
      <Stepper
        label="Inside, when it goes in"
        value={units.heat.to(startC)}
        {...units.heat.stepper(limitOf(catalog, 'load.startC'))}
        onChange={(d) => editLot('start', (now) => setLoad(now, { startC: units.heat.from(d) }))}
      />
      <Small>
        Straight from the fridge is about {units.temperature(catalog.usual.load.startC ?? 0)}. Thaw frozen pieces in the
        fridge first: a frozen middle stays raw while the outside burns.
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
