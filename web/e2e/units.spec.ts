import { parseNumber, refusal } from '../src/ui/number';
import { expect, test } from '@playwright/test';
import type { PlanInput, Simulation } from '../src/api/client';
import { day, minutes, unitsOf } from '../src/format/units';
import { once, step, type History, type Run } from '../src/ui/history';
import {
  addTurn,
  nudgeStage,
  onDial,
  removeStage,
  setJoin,
  setStage,
  setTurn,
  splitStage,
  totalOf,
  type Grain,
} from '../src/plan/program';
import {
  copyLot,
  dropLot,
  mendPlan,
  onLot,
  setInOut,
  setPiecesOf,
  setProgram,
  setSurface,
  splitLot,
} from '../src/dish/edits';
import { counterOf, ofTask, type Task } from '../src/bench/counterScale';
import { waited } from '../src/bench/waits';
import { at, fromField, ticks, timeScale, toField } from '../src/supper/time';
import { between, flagRows, minuteTicks, raceScale } from '../src/race/scale';

// What the screen works out by itself: no browser needed.

const fryer = {
  id: 'f',
  version: 1,
  name: 'drawer',
  kind: 'drawer' as const,
  basket: { shape: 'round', diameterMm: 190 },
  powerW: 1500,
  airflow: 1,
  dialOffsetC: 0,
  dial: { minC: 80, maxC: 200, stepC: 5 },
};

const grain: Grain = {
  dial: fryer.dial,
  minutes: { min: 0.5, step: 0.5 },
  brush: { parts: [{ ingredient: 'barbecue', share: 1 }], g: 15 },
  brushBeforeEndMin: 5,
  splitSteps: 2,
};

const plan: PlanInput = {
  name: 'wings',
  fryerId: 'f',
  lots: [{ load: { cut: 'chicken-wing-flat', pieces: 11, pieceMassG: 43 }, coat: { id: 'starch-dust', oilG: 4 } }],
  bench: { drying: {}, coating: {} },
  program: {
    preheatMin: 4,
    stages: [
      { airC: 165, minutes: 12 },
      { airC: 200, minutes: 13 },
    ],
    turns: [{ atMin: 12, kind: 'flip' }],
  },
};

test('a day has its year where that is another', () => {
  const now = new Date();
  const thisYear = new Date(now.getFullYear(), 5, 15, 12).toISOString();
  const before = new Date(now.getFullYear() - 2, 5, 15, 12).toISOString();
  expect(day(thisYear)).toMatch(/^\w+ 15 June$/);
  expect(day(before)).toBe(`15 June ${now.getFullYear() - 2}`);
});

test.describe('changing a program', () => {
  const p = plan.program;

  test('stages snap to the dial and stay within it', () => {
    expect(nudgeStage(p, 0, 1, 0, grain).stages[0]?.airC).toBe(170);
    expect(nudgeStage(p, 0, -100, 0, grain).stages[0]?.airC).toBe(80);
    expect(nudgeStage(p, 1, 100, 0, grain).stages[1]?.airC).toBe(200);
    const odd = setStage(p, 0, { airC: 176.7 }, grain);
    expect(nudgeStage(odd, 0, 1, 0, grain).stages[0]?.airC).toBe(180);
    expect(nudgeStage(p, 0, 0, -40, grain).stages[0]?.minutes).toBe(0.5);
    // Its steps begin at its least: a dial of 65 to 205 by 10 has 105 and 115.
    const odd10 = { ...grain, dial: { minC: 65, maxC: 205, stepC: 10 } };
    expect(nudgeStage(setStage(p, 0, { airC: 105 }, grain), 0, 1, 0, odd10).stages[0]?.airC).toBe(115);
    expect(nudgeStage(p, 7, 1, 1, grain)).toBe(p);
  });

  test('turns stay inside a shorter program, and each keeps its place in the list', () => {
    const short = setStage(setStage(p, 0, { minutes: 3 }, grain), 1, { minutes: 4 }, grain);
    expect(short.turns?.[0]?.atMin).toBe(6.5);
    const two = addTurn(p, 'shake', grain);
    const passed = setTurn(two, 0, { atMin: 20 }, grain);
    expect(passed.turns).toEqual([{ atMin: 20, kind: 'flip' }, two.turns?.[1]]);
    expect(setTurn(p, 0, { atMin: -5 }, grain).turns?.[0]?.atMin).toBe(0.5);
  });

  test('a new turn goes into the widest gap', () => {
    expect(addTurn({ ...p, turns: [] }, 'flip', grain).turns).toEqual([{ atMin: 12.5, kind: 'flip' }]);
    expect(addTurn(p, 'shake', grain).turns).toEqual([
      { atMin: 12, kind: 'flip' },
      { atMin: 18.5, kind: 'shake' },
    ]);
  });

  test('splitting and taking away keep the minutes', () => {
    const split = splitStage(p, 1, grain);
    expect(split.stages).toHaveLength(3);
    expect(totalOf(split)).toBe(25);
    expect(totalOf(removeStage(split, 0, grain))).toBe(25);
    expect(removeStage(removeStage(p, 0, grain), 0, grain).stages).toHaveLength(1);
    expect(splitStage(setStage(p, 0, { minutes: 0.5 }, grain), 0, grain).stages).toHaveLength(2);
  });

  test('a join moves between its neighbours and no further', () => {
    const moved = setJoin(plan.program, 0, 20, grain);
    expect(moved.stages.map((s) => s.minutes)).toEqual([20, 5]);
    expect(setJoin(plan.program, 0, 90, grain).stages.map((s) => s.minutes)).toEqual([24.5, 0.5]);
    expect(setJoin(plan.program, 0, -3, grain).stages.map((s) => s.minutes)).toEqual([0.5, 24.5]);
    expect(setJoin(plan.program, 1, 5, grain)).toBe(plan.program);
  });

  test('a dragged temperature is one the dial has', () => {
    expect(onDial(167.4, fryer.dial)).toBe(165);
    expect(onDial(240, fryer.dial)).toBe(200);
    expect(onDial(12, fryer.dial)).toBe(80);
  });

  test('a rest is no first or last stage', () => {
    const rested = {
      ...plan.program,
      stages: [...plan.program.stages.map((s) => ({ ...s })), { airC: 200, minutes: 3 }],
    };
    const mid = { ...rested, stages: rested.stages.map((s, i) => (i === 1 ? { ...s, rest: true } : s)) };
    expect(removeStage(mid, 0, grain).stages.some((s) => s.rest)).toBe(false);
    expect(setStage(mid, 1, { minutes: 5 }, grain).stages[1]?.rest).toBe(true);
  });

  test('a warning makes its own change, and no other', () => {
    const program = { stages: [{ airC: 190, minutes: 16 }] };
    expect(mendPlan(plan, { label: '', program }, grain.minutes)).toEqual({ ...plan, program });
    expect(mendPlan(plan, { label: '', perBasket: 8 }, grain.minutes)).toEqual({ ...plan, perBasket: 8 });
    expect(mendPlan(plan, { label: '', surface: 'wiped' }, grain.minutes).lots[0]?.load.surface).toBe('wiped');
    expect(mendPlan(plan, { label: '', thicknessMm: 20 }, grain.minutes).lots[0]?.load.thicknessMm).toBe(20);
    expect(mendPlan(plan, { label: '', oilG: 9 }, grain.minutes).lots[0]?.coat).toEqual({ id: 'starch-dust', oilG: 9 });
    expect(mendPlan(plan, { label: '' }, grain.minutes)).toBe(plan);
  });

  const limits = { 'coat.oilG': { min: 0, max: 200, step: 1, unit: 'g' } };

  test('what is said in the order takes the place of what the bench had', () => {
    const bench = {
      drying: { school: 'wet' },
      coating: { oil: 'mist' },
      cutting: { wholeG: 900, pieces: 12, as: 'chunk', spreadPct: 16 },
      salting: { school: 'dry', hours: 2 },
    };
    const figures = { usual: { oilByMass: 2 / 3 }, limits };
    const on = onLot(plan, 0, (lot) => ({ ...lot, bench }));
    const benchOf = (p: PlanInput) => p.lots[0]?.bench;
    expect(benchOf(onLot(on, 0, (lot) => setSurface(lot, 'wiped')))).toEqual({ ...bench, drying: {} });
    expect(benchOf(mendPlan(on, { label: '', oilG: 3 }, grain.minutes))).toEqual({ ...bench, coating: {} });
    const fewer = setPiecesOf({ ...on, perBasket: 9 }, 0, { pieces: 6 }, figures);
    expect(benchOf(fewer)).toEqual({ ...bench, cutting: { spreadPct: 16 } });
    expect(fewer.perBasket).toBeUndefined();
  });
});

test.describe('the lots of a dish', () => {
  const three = splitLot(splitLot(plan, 0), 0);
  const counts = (p: PlanInput) => p.lots.map((lot) => lot.load.pieces);

  test('a split lot keeps its pieces, its oil and what turns were for', () => {
    expect(counts(three)).toEqual([3, 5, 3]);
    expect(three.lots.reduce((sum, lot) => sum + (lot.coat?.oilG ?? 0), 0)).toBeCloseTo(4, 6);
    const brushed = { ...three, program: { ...plan.program, turns: [{ atMin: 20, kind: 'brush', lots: [0] }] } };
    expect(splitLot(brushed, 0).program.turns?.[0]?.lots).toEqual([0, 3]);
    expect(
      splitLot(
        onLot(plan, 0, (lot) => ({ ...lot, load: { ...lot.load, pieces: 1 } })),
        0,
      ).lots,
    ).toHaveLength(1);
  });

  test('what was weighed out for a lot is shared by its parts', () => {
    const bench = {
      drying: {},
      coating: {},
      marinade: { items: [{ ingredient: 'soy-light', g: 30 }], hours: 2 },
      finish: [{ ingredient: 'salt-flake', g: 4 }],
      salting: { school: 'brine' as const, hours: 2, waterG: 1000, strengthPct: 5 },
    };
    const [one, two] = splitLot(
      onLot(plan, 0, (lot) => ({ ...lot, bench })),
      0,
    ).lots.map((lot) => lot.bench);
    expect((one?.finish?.[0]?.g ?? 0) + (two?.finish?.[0]?.g ?? 0)).toBeCloseTo(4, 9);
    expect((one?.salting?.waterG ?? 0) + (two?.salting?.waterG ?? 0)).toBeCloseTo(1000, 6);
    // The amounts are for all eleven, as they were mixed.
    expect([one?.marinade?.forG, two?.marinade?.forG]).toEqual([11 * 43, 11 * 43]);
  });

  test('a lot left out takes what was for it alone, and the others keep theirs', () => {
    const turns = [
      { atMin: 5, kind: 'flip' },
      { atMin: 18, kind: 'brush', lots: [1] },
      { atMin: 20, kind: 'brush', lots: [0, 2] },
    ];
    const left = dropLot({ ...three, program: { ...plan.program, turns } }, 1);
    expect(counts(left)).toEqual([3, 3]);
    expect(left.program.turns).toEqual([turns[0], { ...turns[2], lots: [0, 1] }]);
  });

  test('of several all lie in one basket; the last one goes in and out with the program', () => {
    expect(copyLot({ ...plan, perBasket: 6, secondFryerId: 'g' }, 0)).toMatchObject({
      perBasket: undefined,
      secondFryerId: undefined,
    });
    const early = setInOut(copyLot(plan, 0), 1, { outMin: 14 }, grain.minutes);
    expect(early.lots.map((lot) => lot.outMin)).toEqual([undefined, 14]);
    expect(dropLot(early, 0).lots[0]?.outMin).toBeUndefined();
    const short = setProgram(early, { stages: [{ airC: 180, minutes: 10 }] }, grain.minutes);
    expect(short.lots[1]?.outMin).toBeUndefined();
    const late = setInOut(early, 1, { inMin: 40 }, grain.minutes).lots[1];
    expect([late?.inMin, late?.outMin]).toEqual([13.5, 14]);
  });

  test('a change is made to the lot it is of', () => {
    expect(
      mendPlan(three, { label: '', thicknessMm: 12, lot: 2 }, grain.minutes).lots.map((lot) => lot.load.thicknessMm),
    ).toEqual([undefined, undefined, 12]);
  });
});

test.describe('undo', () => {
  const start: History<PlanInput> = { past: [], now: plan, future: [], last: once, at: 0 };
  const named = (name: string, run: Run, at: number) => ({
    kind: 'edit' as const,
    run,
    at,
    change: (p: PlanInput) => ({ ...p, name }),
  });

  test('goes back and forth, and an edit ends the future', () => {
    let h = step(start, named('a', 'name', 0));
    h = step(h, named('b', 'other', 10));
    expect(h.past).toHaveLength(2);
    h = step(h, { kind: 'undo' });
    expect(h.now.name).toBe('a');
    h = step(h, { kind: 'redo' });
    expect(h.now.name).toBe('b');
    h = step(step(h, { kind: 'undo' }), named('c', 'name', 99999));
    expect(h.future).toHaveLength(0);
    expect(step(step(step(h, { kind: 'undo' }), { kind: 'undo' }), { kind: 'undo' }).now).toEqual(plan);
  });

  test('a quick run of one thing is one undo', () => {
    let h = start;
    for (let i = 0; i < 5; i++) h = step(h, named(`n${i}`, 'name', i * 300));
    expect(h.past).toHaveLength(1);
    h = step(h, named('later', 'name', 60_000));
    expect(h.past).toHaveLength(2);
  });

  test('what is one thing each time is one undo each, however quick', () => {
    let h = start;
    for (let i = 0; i < 4; i++) h = step(h, named(`n${i}`, once, i * 50));
    expect(h.past).toHaveLength(4);
  });

  test('a drag is one undo, however long it takes', () => {
    let h: History<number> = { past: [], now: 1, future: [], last: once, at: 0 };
    for (let k = 1; k < 20; k++) h = step(h, { kind: 'edit', run: { drag: 7 }, at: k * 900_000, change: (n) => n + k });
    // It is a change of what was there when it began, not of each step on the way.
    expect([h.past, h.now]).toEqual([[1], 20]);
    expect(step(h, { kind: 'edit', run: { drag: 8 }, at: 1, change: (n) => n + 1 }).past).toEqual([1, 20]);
  });

  test('what changes nothing is no step', () => {
    expect(step(start, named('wings', 'name', 1))).toBe(start);
    expect(step(start, { kind: 'undo' })).toBe(start);
    expect(step(start, { kind: 'redo' })).toBe(start);
  });
});

test.describe('units', () => {
  test('°F and ounces there and back', () => {
    const us = unitsOf({ temperature: 'F', mass: 'oz' });
    expect(us.temperature(73.9)).toBe('165 °F');
    expect(us.reached(73.9)).toBe('165 °F');
    expect(us.reached(73.8)).toBe('164 °F');
    expect(unitsOf({ temperature: 'C', mass: 'g' }).reached(73.8)).toBe('73 °C');
    expect(unitsOf({ temperature: 'C', mass: 'g' }).reached(4.98)).toBe('5 °C');
    expect(us.mass(43)).toBe('1.5 oz');
    for (const c of [60, 165, 200]) expect(us.fromDegrees(us.toDegrees(c))).toBeCloseTo(c, 0);
    for (const g of [20, 43, 290]) expect(Math.abs(us.weight.from(us.weight.to(g)) - g)).toBeLessThan(1.5);
    expect(us.length.words(16)).toBe('0.63 in');
    expect(us.volume.words(1000)).toBe('1.1 quarts');
    expect(us.warmer.to(-10)).toBe(-18);
    const home = unitsOf({ temperature: 'C', mass: 'g' });
    expect(home.temperature(164.6)).toBe('165 °C');
    expect(home.mass(42.4)).toBe('42 g');
  });

  test('a stepper has round numbers of its own scale, within what is allowed', () => {
    const us = unitsOf({ temperature: 'F', mass: 'oz' });
    const dial = us.heat.stepper({ min: 80, max: 200, step: 5 });
    expect(dial).toMatchObject({ min: 180, max: 390, step: 10, unit: '°F' });
    expect(us.heat.from(dial.min)).toBeGreaterThanOrEqual(80);
    expect(us.heat.from(dial.max)).toBeLessThanOrEqual(200);
    const home = unitsOf({ temperature: 'C', mass: 'g' });
    expect(home.heat.stepper({ min: 80, max: 200, step: 5 })).toMatchObject({ min: 80, max: 200, step: 5, unit: '°C' });
    expect(Math.round(home.heat.stepper({ min: -5, max: 120, step: 1 }).also?.from(165) ?? 0)).toBe(74);
    expect(home.length.stepper({ min: 100, max: 600, step: 5 })).toMatchObject({ min: 100, max: 600, step: 5 });
    expect(home.volume.stepper({ min: 0, max: 20000, step: 100 })).toMatchObject({ max: 20, step: 0.1 });
  });

  test('minutes as a cook reads them', () => {
    expect(minutes(12)).toBe('12');
    expect(minutes(7.6)).toBe('7.5');
  });
});

test.describe('what is typed', () => {
  test('a number is read as people write it', () => {
    expect(['68,5', ' 68.5 ', '−2', '1’200', '.5'].map(parseNumber)).toEqual([68.5, 68.5, -2, 1200, 0.5]);
    expect(['', 'lots', '1.2.3', '12a', '-'].map(parseNumber)).toEqual([null, null, null, null, null]);
  });

  test('what cannot be is refused in words, with what can', () => {
    const probe = { min: -5, max: 120, unit: '°C' };
    expect(refusal('165', probe)).toBe('165 °C cannot be: -5 to 120 °C.');
    expect(refusal('68,5', probe)).toBe('');
    expect(refusal('x', probe)).toContain('no number');
    expect(refusal('', probe)).toContain('-5 to 120');
    expect(refusal('2,5', { min: 1, max: 9, whole: true })).toContain('whole ones');
  });
});

test.describe('the drawing', () => {
  const line = [0, 1, 2].map((minute) => ({ minute, coreC: minute * 10 })) as Simulation['timeline'];

  test('reads between the minutes and not beyond', () => {
    expect(between(line, 0.5, (m) => m.coreC)).toBe(5);
    expect(between(line, 2, (m) => m.coreC)).toBe(20);
    expect(between(line, 99, (m) => m.coreC)).toBe(20);
    expect(between([], 1, (m) => m.coreC)).toBe(0);
  });

  test('ticks keep their distance at every width', () => {
    for (const width of [280, 600, 1200])
      for (const end of [6, 25, 60, 120]) {
        const ticks = minuteTicks(end, width);
        expect(ticks.length).toBeGreaterThan(1);
        expect(((ticks[1] ?? 0) / end) * width).toBeGreaterThan(28);
      }
  });

  test('no flag covers another', () => {
    expect(flagRows([600, 100, 300])).toEqual([0, 0, 0]);
    expect(flagRows([600, 300, 330, 350])).toEqual([0, 0, 1, 2]);
    const many = Array.from({ length: 9 }, (_, k) => 100 + k * 25);
    const rows = flagRows(many);
    many.forEach((a, i) =>
      many.forEach((b, k) => {
        if (i < k && rows[i] === rows[k]) expect(Math.abs(a - b)).toBeGreaterThanOrEqual(62);
      }),
    );
  });

  test('minutes run right and heat runs up', () => {
    const s = raceScale(800, 30, 215, false);
    expect(s.x(30)).toBeGreaterThan(s.x(0));
    expect(s.y(200)).toBeLessThan(s.y(0));
    expect(s.strips[1]).toBeGreaterThan(s.strips[0] + s.strip);
    expect(s.axis).toBeGreaterThan(s.strips[1] + s.strip);
    expect(s.height).toBeGreaterThan(s.axis);
  });
});

test.describe('an evening’s time', () => {
  const table = Date.parse('2026-12-05T19:30:00Z');
  const before = (minutes: number) => table - minutes * 60_000;

  test('a moment goes into its field and back, whatever the zone', () => {
    for (const iso of ['2026-12-05T19:30:00.000Z', '2026-07-01T00:00:00.000Z', '2026-10-25T01:30:00.000Z']) {
      expect(at(fromField(toField(iso)))).toBe(at(iso));
      expect(fromField(toField(iso))).toMatch(/(Z|[+-]\d\d:\d\d)$/);
    }
  });

  test('a short evening is even, a long one folds what is only waited through', () => {
    const short = timeScale(before(90), table, 100, 900);
    expect(short.folds).toBeNull();
    expect(short.x(table)).toBe(900);
    expect(short.x(before(30)) - short.x(before(60))).toBeCloseTo(short.x(before(60)) - short.x(before(90)), 6);
    const long = timeScale(before(9 * 60), table, 100, 900);
    expect(long.folds).not.toBeNull();
    expect(long.x(before(60)) - long.x(before(90))).toBeGreaterThan(3 * (long.x(before(400)) - long.x(before(430))));
    for (const scale of [short, long]) {
      let last = -1;
      for (let m = 600; m >= 0; m -= 10) {
        const x = scale.x(before(m));
        expect(x).toBeGreaterThan(last - 1e9);
        if (m < 90) expect(x).toBeGreaterThan(last);
        last = x;
      }
    }
  });

  test('its ticks are round, in order, and clear of one another and of the table', () => {
    for (const [start, width] of [
      [80, 700],
      [150, 320],
      [300, 900],
      [20 * 60, 900],
    ] as const) {
      const scale = timeScale(before(start), table, 60, width);
      const all = ticks(scale, table, width);
      expect(all.length).toBeGreaterThan(1);
      for (const [i, t] of all.entries()) {
        expect(t % (10 * 60_000)).toBe(0);
        const next = all[i + 1];
        if (next !== undefined) expect(scale.x(next) - scale.x(t)).toBeGreaterThan(34);
        expect(Math.abs(scale.x(t) - scale.x(table))).toBeGreaterThan(40);
      }
    }
  });
});

test.describe('the counter', () => {
  const clock = (hhmm: string) => `2026-12-04T${hhmm}:00Z`;
  const task = (id: string, kind: string, start: string, end: string): Task => ({
    ...{ id: `dish/${id}`, kind, says: id, place: 'board', hands: 1, after: [] },
    start: clock(start),
    end: clock(end),
  });
  const tasks = [
    task('dry', 'bench', '16:46', '16:48'),
    task('salt', 'bench', '16:48', '16:50'),
    task('salt/wait', 'wait', '16:50', '18:50'),
    task('coat-2', 'bench', '18:50', '18:52'),
    task('1/load', 'load', '18:56', '18:57'),
    task('1/run', 'run', '18:57', '19:20'),
  ];

  test('what begins together stands together, and time runs from left to right', () => {
    const c = counterOf(tasks, 'dish', clock('19:30'), 900);
    expect(c?.stops.map((s) => s.tasks.length)).toEqual([2, 1]);
    expect(c?.waits.map((w) => w.id)).toEqual(['dish/salt/wait']);
    const x = [at(clock('16:46')), at(clock('18:50')), c?.basket ?? 0, c?.table ?? 0].map((t) => c?.x(t) ?? 0);
    expect(x).toEqual([...x].sort((a, b) => a - b));
    expect(x.at(-1)).toBeLessThanOrEqual(c?.width ?? 0);
    // Two hours are longer than four minutes, and yet there is room for both.
    expect((x[1] ?? 0) - (x[0] ?? 0)).toBeGreaterThan((x[2] ?? 0) - (x[1] ?? 0));
    expect((x[2] ?? 0) - (x[1] ?? 0)).toBeGreaterThan(60);
    expect(counterOf([], 'dish', clock('19:30'), 900)).toBeNull();
  });

  test('a task says its station and its lot', () => {
    expect(tasks.map((t) => ofTask(t, 'dish'))).toEqual([
      { kind: 'dry', lot: 0 },
      { kind: 'salt', lot: 0 },
      { kind: 'salt', lot: 0 },
      { kind: 'coat', lot: 1 },
      { kind: '1/load', lot: 0 },
      { kind: '1/run', lot: 0 },
    ]);
  });

  test('a wait that is moved is that of its station', () => {
    const bench = { drying: { school: 'rack', hours: 4 }, salting: { school: 'dry', hours: 2 }, coating: {} };
    expect(waited('salt', 90)(bench).salting?.hours).toBe(1.5);
    expect(waited('dry', 120)(bench).drying).toEqual({ school: 'rack', hours: 2 });
    expect(waited('coat', 12)(bench).coating.restMin).toBe(12);
    expect(waited('marinade', 60)(bench)).toEqual(bench); // there is none
  });
});
