import { useQueryClient } from '@tanstack/react-query';
import { ArrowLeft } from 'lucide-react';
import { useEffect } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { takeBackOf, useEvening, type LiveBasket, type LiveEvening } from '../api/live';
import { useCook, useSettings } from '../api/queries';
import { clock, day, unitsOf, type Units } from '../format/units';
import { Button } from '../ui/Button';
import { Blank, Card, Page, Quiet, Title } from '../ui/layout';
import { complain } from '../ui/toast';
import { Inside, insideOfBasket } from './Inside';
import { NextTime } from './NextTime';
import { NotShown } from './NotShown';
import { Pictures } from './Pictures';
import { Bar, Columns, Stack, Table } from './parts';

/** A supper that was led: what was planned beside when it was done, and each basket. */
export default function EveningPage() {
  const { id = '' } = useParams();
  const evening = useEvening(id);
  const settings = useSettings();
  useEffect(() => {
    document.title = 'Logbook · Velocrustum';
  }, []);
  if (evening.isError && evening.data === undefined)
    return (
      <Page>
        <Blank title="This supper is not in the logbook">
          <Quiet>{evening.error.message}</Quiet>
          <Link to="/logbook">To the logbook</Link>
        </Blank>
      </Page>
    );
  if (!evening.data || !settings.data)
    return (
      <Page>
        <Quiet role="status">Opening it…</Quiet>
      </Page>
    );
  return <Evening key={id} evening={evening.data} units={unitsOf(settings.data)} />;
}

/** Minutes from one time to another, as they are shown. */
const apart = (from: string, to: string) => {
  const minute = (iso: string) => Math.floor(Date.parse(iso) / 60_000);
  return minute(to) - minute(from);
};
const later = (minutes: number) =>
  minutes === 0 ? 'on time' : minutes > 0 ? `${minutes} min later` : `${-minutes} min sooner`;

function Evening({ evening, units }: { evening: LiveEvening; units: Units }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { course } = evening;
  const table = course.tasks.find((t) => t.id === 'table');
  const last = evening.said.findLast((s) => s.cookId === undefined);
  const goOn = async () => {
    if (!last) return;
    try {
      await takeBackOf(evening.id, last.id);
      await queries.invalidateQueries({ queryKey: ['live'] });
      await navigate('/cook');
    } catch (cause) {
      complain(cause);
    }
  };
  const given = evening.said.some((s) => s.title === 'The supper was given up');
  return (
    <Page>
      <Link to="/logbook">
        <ArrowLeft size={16} aria-hidden /> Logbook
      </Link>
      <Bar>
        <Title>{evening.name}</Title>
        {evening.finishedAt && last ? <Button onPress={() => void goOn()}>Go on with this evening</Button> : null}
      </Bar>
      <Quiet>
        {day(evening.startedAt)}, begun at {clock(evening.startedAt)}.{' '}
        {given
          ? 'It was given up.'
          : table?.state === 'done'
            ? `Planned for ${clock(evening.plannedAt)}, on the table at ${clock(table.end)}: ${later(apart(evening.plannedAt, table.end))}.`
            : ''}
      </Quiet>
      <Columns $even>
        <Card aria-label="What was planned and done">
          <h2>By the clock</h2>
          <Table>
            <thead>
              <tr>
                <th scope="col">What</th>
                <th scope="col">Planned</th>
                <th scope="col">Done</th>
                <th scope="col">That is</th>
              </tr>
            </thead>
            <tbody>
              {course.tasks
                .filter((t) => t.hands > 0 && t.state === 'done')
                .map((t) => (
                  <tr key={t.id}>
                    <th scope="row">{t.title}</th>
                    <td>{clock(t.planned)}</td>
                    <td>{t.leftOut ? '' : clock(t.start)}</td>
                    <td>{t.leftOut ? 'not made' : later(apart(t.planned, t.start))}</td>
                  </tr>
                ))}
            </tbody>
          </Table>
        </Card>
        <Stack>
          {evening.baskets
            .filter((b) => b.loadedAt)
            .map((b) => (
              <Basket key={b.key} basket={b} units={units} />
            ))}
        </Stack>
      </Columns>
    </Page>
  );
}

function Basket({ basket, units }: { basket: LiveBasket; units: Units }) {
  const cook = useCook(basket.cookId).data;
  const minutes =
    basket.loadedAt && basket.outAt ? (Date.parse(basket.outAt) - Date.parse(basket.loadedAt)) / 60_000 : basket.endMin;
  const planned = cook ? cook.plan.program.stages.reduce((sum, st) => sum + st.minutes, 0) : null;
  return (
    <>
      <NotShown shown={basket.outAt ? basket.shown : undefined} what={basket.name} />
      <Card aria-label={basket.name}>
        <h2>
          <Link to={`/logbook/${basket.cookId}`}>{basket.name}</Link>
        </h2>
        <p>
          In for {Math.round(minutes)} min
          {planned === null ? '' : `, planned ${Math.round(planned)}`}.{' '}
          {basket.plate ??
            (cook ? `Crust by forecast ${Math.floor(cook.forecast.end.crust)} of 100 as it came out.` : '')}
        </p>
      </Card>
      <Inside cook={insideOfBasket(basket, minutes)} units={units} />
      {cook ? (
        <Pictures cook={cook.id} name={basket.name} pictures={cook.pictures} title={`Pictures of ${basket.name}`} />
      ) : null}
      {cook ? <NextTime cook={cook} /> : null}
    </>
  );
}
