import { useQueryClient } from '@tanstack/react-query';
import { Undo2 } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import type { Cook, Plan, Schemas } from '../api/client';
import { sayToCook, startCook, takeBack, useCatalog, useLiveCook, usePlans, useSettings } from '../api/queries';
import { clock, minutes, unitsOf } from '../format/units';
import { between } from '../race/scale';
import { at, type } from '../theme/tokens';
import { Button, MainButton } from '../ui/Button';
import { Blank, Page, Quiet, Title } from '../ui/layout';
import { Pop } from '../ui/Pop';
import { Stepper } from '../ui/Stepper';
import { complain } from '../ui/toast';
import { chime, readyChime } from './chime';
import { Strips } from './Strips';
import { useAwake } from './useAwake';

const Grid = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 432px;
  gap: 20px 28px;
  min-height: 400px;
  ${at.narrow} {
    grid-template-columns: minmax(0, 1fr);
    min-height: 0;
    gap: 16px;
  }
`;

const Now = styled.h1`
  font: 700 42px/1.1 ${type.loud};
  text-wrap: balance;
  ${at.phone} {
    font-size: 31px;
  }
`;

const Left = styled.p<{ $over: boolean }>`
  font: 800 188px/0.94 ${type.loud};
  font-stretch: 82%;
  letter-spacing: -0.035em;
  color: ${(p) => (p.$over ? '#ff9b84' : 'var(--lemon)')};
  margin: 14px 0 20px;
  ${at.phone} {
    font-size: 116px;
    margin: 8px 0 12px;
  }
`;

const Detail = styled.p`
  font-size: 21px;
  line-height: 1.4;
  color: var(--quiet);
  max-width: 34em;
  ${at.phone} {
    font-size: 19px;
  }
`;

const Side = styled.div`
  display: grid;
  gap: 12px;
  align-content: start;
`;

const Estimate = styled.div`
  background: var(--surface);
  border-radius: 16px;
  padding: 14px 18px;
  p:first-child {
    font: 700 48px/1.05 ${type.loud};
  }
  p + p {
    color: var(--quiet);
    font-size: 17px;
    margin-top: 4px;
  }
`;

const Big = styled(MainButton)`
  min-height: 74px;
  font-size: 24px;
  border-radius: 16px;
`;

const Row = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
`;

const Half = styled(Button)`
  min-height: 64px;
  font-size: 19px;
  border-radius: 14px;
  border: 0;
  background: #f4f7f2;
  color: #16292b;
  &[data-pressed] {
    background: #cfd8d2;
  }
`;

const Shades = styled.div`
  display: flex;
  border-radius: 14px;
  overflow: hidden;
`;

const Shade = styled(Button)`
  flex: 1;
  min-height: 64px;
  padding: 0 4px;
  border: 0;
  border-radius: 0;
  font-size: 16px;
  &[data-focus-visible] {
    outline-offset: -4px;
  }
`;

const Back = styled(Button)`
  justify-self: start;
  background: transparent;
  min-height: 48px;
  color: var(--quiet);
`;

const shades: [string, string, string][] = [
  ['pale', '#ead7b6', '#16292b'],
  ['straw', '#e0bb78', '#16292b'],
  ['gold', '#cb9145', '#16292b'],
  ['copper', '#9c5c22', '#ffffff'],
  ['dark', '#6f3d19', '#ffffff'],
];

const said: Record<string, string> = {
  loaded: 'food is in',
  turned: 'turned',
  dialled: 'dial set',
  more: 'more minutes',
  out: 'it is out',
  probe: 'probe reading',
  look: 'how it looks',
  stop: 'given up',
};

const Dark = () => {
  useEffect(() => {
    document.body.classList.add('night');
    document.title = 'Cook · Velocrustum';
    return () => document.body.classList.remove('night');
  }, []);
  return null;
};

function countdown(ms: number): string {
  const s = Math.abs(Math.ceil(ms / 1000));
  return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`;
}

/** The live cook, or which dish to begin. */
export default function CookPage() {
  const live = useLiveCook(2000);
  if (live.isPending)
    return (
      <Page>
        <Dark />
        <Quiet role="status">Looking what is on…</Quiet>
      </Page>
    );
  if (!live.data)
    return (
      <Page>
        <Dark />
        <Blank title="The kitchen computer does not answer">
          <Quiet>The cook goes on and its clock with it. This page tries again by itself.</Quiet>
        </Blank>
      </Page>
    );
  return (
    <Page>
      <Dark />
      {live.data.cook ? <Live cook={live.data.cook} skewMs={live.data.skewMs} stale={live.isError} /> : <Begin />}
    </Page>
  );
}

function Live({ cook, skewMs, stale }: { cook: Cook; skewMs: number; stale: boolean }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const settings = useSettings().data;
  const cut = useCatalog().data?.cuts.find((c) => c.id === cook.plan.load.cut);
  const units = unitsOf(settings ?? { temperature: 'C', mass: 'g' });
  const [here, setHere] = useState(() => Date.now());
  const [busy, setBusy] = useState(false);
  useAwake(true);
  useEffect(() => {
    const timer = setInterval(() => setHere(Date.now()), 200);
    return () => clearInterval(timer);
  }, []);

  const now = here + skewMs;
  const until = cook.step.until ? Date.parse(cook.step.until) : null;
  const leftMs = until === null ? null : until - now;
  const due = leftMs !== null ? leftMs <= 0 : cook.step.phase !== 'heating';
  const minute = cook.loadedAt ? (now - Date.parse(cook.loadedAt)) / 60000 : null;

  const rung = useRef('');
  const moment = `${cook.events.length}${cook.step.title}`;
  useEffect(() => {
    if (!due || rung.current === moment) return;
    rung.current = moment;
    if (settings?.chime) chime();
  }, [due, moment, settings?.chime]);

  const tell = async (kind: Schemas['CookEventInput']['kind'], value?: number) => {
    readyChime();
    setBusy(true);
    try {
      const after = await sayToCook(cook.id, value === undefined ? { kind } : { kind, value });
      if (kind === 'out' || kind === 'stop') {
        await queries.invalidateQueries({ queryKey: ['cooks'] });
        queries.setQueryData(['cook', cook.id], after);
        await navigate(`/logbook/${cook.id}`);
      }
      await queries.invalidateQueries({ queryKey: ['live'] });
    } catch (cause) {
      complain(cause);
    }
    setBusy(false);
  };
  const lastEvent = cook.events.at(-1);
  const undo = async () => {
    if (!lastEvent) return;
    try {
      await takeBack(cook.id, lastEvent.id);
      await queries.invalidateQueries({ queryKey: ['live'] });
    } catch (cause) {
      complain(cause);
    }
  };

  const forecast = cook.forecast;
  const plant = cut?.safety === 'plant';
  const inside = minute === null ? null : between(forecast.timeline, Math.max(0, minute), (m) => m.coreC);
  const safe = forecast.chance?.safeByMin ?? forecast.safeAtMin;
  const [probe, setProbe] = useState(70);
  const lastProbe = cook.events.findLast((e) => e.kind === 'probe');
  const action = cook.step.action as Schemas['CookEventInput']['kind'] | undefined;

  return (
    <>
      <Quiet>
        {cook.name}
        {cook.baskets > 1 ? ` · basket ${cook.basket} of ${cook.baskets}` : ''} · since {clock(cook.startedAt)}
        {cook.plan.tableTime ? ` · on the table at ${cook.plan.tableTime}` : ''}
        {stale ? ' · no connection, the clock goes on' : ''}
      </Quiet>
      <Grid>
        <div>
          <Now aria-live="assertive">{cook.step.title}</Now>
          {leftMs !== null ? (
            <Left
              $over={due}
              role="timer"
              aria-label={due ? `due ${countdown(leftMs)} ago` : `${countdown(leftMs)} left`}
            >
              {due ? '+' : ''}
              {countdown(leftMs)}
            </Left>
          ) : (
            <Left $over={false} as="p">
              {cook.step.phase === 'loading' ? 'now' : ''}
            </Left>
          )}
          <Detail>{cook.step.detail}</Detail>
        </div>
        <Side>
          {inside !== null ? (
            <Estimate>
              <p>{units.temperature(inside)}</p>
              <p>
                inside now, by estimate.{' '}
                {safe == null
                  ? forecast.verdict.says
                  : (minute ?? 0) < safe
                    ? `95 loads in 100 are ${plant ? 'soft inside' : 'safe'} in about ${Math.max(1, Math.ceil(safe - (minute ?? 0)))} min${plant ? '.' : '; probe the thickest one.'}`
                    : plant
                      ? 'Soft by estimate.'
                      : 'Safe by estimate. The thermometer decides.'}
                {lastProbe?.value != null
                  ? ` You read ${units.temperature(lastProbe.value)} at ${clock(lastProbe.at)}.`
                  : ''}
              </p>
            </Estimate>
          ) : (
            <Estimate>
              <p>
                {forecast.verdict.figure} {forecast.verdict.unit}
              </p>
              <p>
                {forecast.verdict.ready ? 'Once the food is in. ' : ''}
                {forecast.verdict.says} {forecast.verdict.first}
              </p>
            </Estimate>
          )}
          {action && cook.step.label ? (
            <Big isDisabled={busy} onPress={() => void tell(action)}>
              {cook.step.label}
            </Big>
          ) : null}
          {minute !== null ? (
            <>
              <Row>
                <Pop
                  title="Probe reading"
                  body={(close) => (
                    <>
                      <Stepper
                        label="In the thickest part, away from the bone"
                        unit={units.degree}
                        value={units.toDegrees(probe)}
                        min={units.toDegrees(0)}
                        max={units.toDegrees(110)}
                        onChange={(d) => setProbe(units.fromDegrees(d))}
                      />
                      <MainButton
                        onPress={() => {
                          close();
                          void tell('probe', Math.round(probe * 10) / 10);
                        }}
                      >
                        Note it
                      </MainButton>
                    </>
                  )}
                >
                  <Half onPress={() => setProbe(Math.round(inside ?? 70))}>Probe reading</Half>
                </Pop>
                <Half isDisabled={busy} onPress={() => void tell('more', 2)}>
                  Two more minutes
                </Half>
              </Row>
              {action === 'out' ? null : (
                <Half isDisabled={busy} onPress={() => void tell('out')}>
                  Done, it is out
                </Half>
              )}
              <Quiet id="looks">How does it look?</Quiet>
              <Shades role="group" aria-labelledby="looks">
                {shades.map(([name, background, color], i) => (
                  <Shade
                    key={name}
                    style={{ background, color }}
                    isDisabled={busy}
                    onPress={() => void tell('look', i)}
                  >
                    {name}
                  </Shade>
                ))}
              </Shades>
            </>
          ) : (
            <Half isDisabled={busy} onPress={() => void tell('stop')}>
              Give this cook up
            </Half>
          )}
          {lastEvent ? (
            <Back onPress={() => void undo()}>
              <Undo2 size={18} aria-hidden /> Take back: {said[lastEvent.kind] ?? lastEvent.kind}
            </Back>
          ) : null}
        </Side>
      </Grid>
      <Strips cook={cook} minute={minute} faces={cut?.faces ?? ['First side', 'Second side']} />
    </>
  );
}

const Choices = styled.ul`
  list-style: none;
  padding: 0;
  margin: 18px 0 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 12px;
`;

const Dish = styled(Half)`
  width: 100%;
  min-height: 88px;
  background: var(--surface);
  color: var(--ink);
  flex-direction: column;
  align-items: flex-start;
  padding: 14px 18px;
  gap: 4px;
  text-align: start;
  small {
    font-size: 16px;
    font-weight: 400;
    color: var(--quiet);
  }
`;

function Begin() {
  const plans = usePlans();
  const queries = useQueryClient();
  const begin = async (plan: Plan) => {
    readyChime();
    try {
      await startCook(plan.id);
      await queries.invalidateQueries({ queryKey: ['live'] });
    } catch (cause) {
      complain(cause);
    }
  };
  return (
    <>
      <Title>Which one goes in the basket?</Title>
      <Quiet>Nothing is cooking. Choosing a dish starts with heating the fryer.</Quiet>
      <Choices>
        {(plans.data ?? []).map((p) => (
          <li key={p.id}>
            <Dish onPress={() => void begin(p)}>
              {p.name}
              <small>
                {p.program.stages.map((s) => `${minutes(s.minutes)} min`).join(' + ')}
                {p.tableTime ? `, on the table at ${p.tableTime}` : ''}
              </small>
            </Dish>
          </li>
        ))}
      </Choices>
      {plans.data?.length === 0 ? (
        <Blank title="No dish yet">
          <Quiet>Plan one first; it takes a minute.</Quiet>
        </Blank>
      ) : null}
    </>
  );
}
