import type { CutInfo } from '../../api/client';

interface Shape {
  /** In a box of one by one about the middle, length across. */
  body: string;
  lines?: string;
  /** Bone, tail or tip, drawn lighter. */
  bone?: string;
}

const teardrop = 'M-.5-.02C-.44-.36-.2-.5.06-.44C.24-.4.3-.2.34-.1L.34.12C.28.26.2.42.02.47C-.24.5-.46.3-.5-.02Z';
const bone = 'M.32-.09L.44-.1C.48-.22.54-.1.49-.01C.55.1.47.22.43.12L.32.12Z';
const plump = 'M-.5 0C-.48-.36-.2-.5.04-.5C.3-.48.5-.3.5.02C.48.34.24.5-.04.5C-.32.48-.5.3-.5 0Z';
const leaf = 'M-.5.04C-.4-.34-.12-.5.14-.48C.36-.46.5-.2.5 0C.48.24.3.42.08.48C-.18.52-.42.36-.5.04Z';
const block = 'M-.46-.42Q-.5-.5-.4-.5L.4-.48Q.5-.48.49-.36L.47.4Q.46.5.36.49L-.38.5Q-.5.5-.49.38Z';
const curl =
  'M.46-.3C.3-.52-.1-.52-.32-.3C-.54-.06-.5.28-.28.44C-.14.54.02.46-.06.34C-.24.24-.28.06-.16-.06C-.02-.2.2-.18.3-.06C.42 0 .54-.14.46-.3Z';

/** One style for all: an outline, what is bone or tip, and a few strokes. */
const shapes: Record<string, Shape> = {
  'chicken-wing-flat': {
    body: 'M-.5 0C-.46-.34-.3-.5-.06-.46C.2-.46.44-.44.5-.14C.5.2.44.46.16.46C-.1.48-.44.42-.5 0Z',
    lines: 'M-.3-.14C-.05-.22.15-.22.36-.12M-.32.16C-.08.26.14.26.34.18',
  },
  'chicken-drumette': { body: teardrop, bone, lines: 'M-.3-.16C-.2-.28-.04-.3.1-.24' },
  'chicken-wing-whole': {
    body: 'M-.5-.2C-.46-.48-.2-.5-.08-.28L.06.02L.2-.26C.28-.46.46-.4.44-.2C.42.1.3.46.08.5C-.2.5-.46.2-.5-.2Z',
    bone: 'M.4-.34L.5-.5L.46-.22Z',
    lines: 'M-.3-.2C-.22.02-.08.2.06.24',
  },
  'chicken-wing-stuffed': {
    body: plump,
    lines: 'M-.34-.26L-.26-.1M-.18-.32L-.1-.16M0-.34L.06-.18M.18-.3L.22-.14M-.36-.18L.28-.24',
  },
  'chicken-drumstick': { body: teardrop, bone, lines: 'M-.34-.14C-.24-.3-.06-.34.1-.26M-.3.2C-.18.32 0 .32.12.24' },
  'chicken-drumstick-frenched': {
    body: 'M-.5 0C-.5-.34-.3-.5-.08-.5C.14-.48.22-.3.22 0C.22.3.12.5-.1.5C-.34.5-.5.32-.5 0Z',
    bone: 'M.2-.08L.42-.09C.46-.22.54-.1.49 0C.54.1.46.22.42.1L.2.1Z',
    lines: 'M-.34-.12C-.28-.28-.12-.32 0-.26',
  },
  'chicken-thigh-bone-in': {
    body: 'M-.48-.1C-.44-.44-.14-.54.1-.46C.36-.4.52-.2.48.08C.44.38.16.5-.1.48C-.38.46-.52.2-.48-.1Z',
    bone: 'M-.16-.06C-.2-.14-.1-.18-.06-.1L.14 .02C.22 0 .24.12.14.12C.1.2 0 .16.04.1Z',
    lines: 'M-.36-.2C-.24-.36 0-.38.18-.32',
  },
  'chicken-thigh-boneless': {
    body: 'M-.5-.1C-.4-.46-.16-.38.04-.46C.3-.52.5-.3.46-.02C.5.3.3.4.1.46C-.12.54-.42.44-.46.2Z',
    lines: 'M-.28-.12C-.1-.02.14-.04.3-.14M-.26.16C-.06.24.14.2.28.12',
  },
  'chicken-leg-quarter': {
    body: 'M-.5 0C-.48-.38-.26-.52-.04-.44C.14-.38.2-.2.38-.12L.38.1C.22.12.16.34-.02.46C-.26.54-.48.34-.5 0Z',
    bone: 'M.36-.09L.45-.11C.49-.2.54-.08.49 0C.54.1.47.2.44.1L.36.09Z',
    lines: 'M-.12-.36C-.02-.1-.02.14-.1.38',
  },
  'chicken-breast-cutlet': { body: leaf, lines: 'M-.3-.02C-.08-.12.14-.14.34-.06M-.26.16C-.06.1.12.1.28.18' },
  'chicken-breast-chunk': { body: block, lines: 'M-.24-.14L.2-.2M-.2.1L.24.06' },
  'chicken-thigh-chunk': { body: plump, lines: 'M-.2-.2C-.06-.08.1-.1.24-.2M-.24.12C-.04.22.12.2.24.1' },
  'turkey-wing-section': {
    body: 'M-.5 0C-.46-.36-.3-.5-.06-.46C.2-.5.46-.44.5-.14C.52.2.44.48.16.46C-.1.5-.46.42-.5 0Z',
    bone: 'M.48-.12C.56-.14.56.06.49.08Z',
    lines: 'M-.3-.16C-.05-.24.15-.24.36-.14M-.32.16C-.08.26.14.26.34.18',
  },
  'duck-leg': {
    body: teardrop,
    bone,
    lines: 'M-.42.06C-.36.3-.16.38.02.36M-.3-.18L-.14-.3M-.16-.06L.04-.24M-.02.08L.18-.1',
  },
  'fish-fillet-white': {
    body: 'M-.5-.2C-.3-.52.06-.5.3-.32C.42-.22.5-.06.5.02C.46.18.3.36.06.42C-.2.5-.42.42-.48.2Z',
    lines: 'M-.3-.3L-.18.34M-.08-.38L.04.36M.14-.34L.22.28',
  },
  'fish-fillet-oily': {
    body: 'M-.5-.24C-.26-.5.1-.46.32-.26C.46-.16.5-.04.5.02C.46.14.3.32.06.4C-.2.46-.42.4-.48.2Z',
    lines:
      'M-.44-.02C-.1-.12.2-.06.46.02M-.32-.22L-.24-.06M-.1-.3L-.04-.1M.12-.26L.16-.06M-.3.1L-.22.3M-.08.06L-.02.32M.14.06L.16.28',
  },
  'fish-strip': { body: block },
  'fish-whole': {
    body: 'M-.5.02C-.4-.3-.16-.5.08-.44C.22-.4.3-.2.36-.08L.5-.36L.48 0L.5.36L.36.1C.28.24.2.42.04.46C-.18.5-.42.3-.5.02Z',
    lines: 'M-.28-.26C-.2-.08-.2.12-.28.28M-.38-.06L-.37-.05M-.06-.2Q0-.1-.06 0M.1-.2Q.16-.1.1 0M.02.1Q.08.2.02.3',
  },
  prawn: {
    body: curl,
    lines: 'M-.3-.28L-.2-.1M-.44-.04L-.26.06M-.42.24L-.24.22M-.08-.42L-.02-.2M.18-.42L.18-.16',
    bone: 'M.44-.34L.5-.5L.5-.2Z',
  },
  'prawn-butterflied': {
    body: 'M-.5 0C-.44-.4-.14-.56.14-.42L.34-.06L.5-.22L.5.22L.34.06L.14.42C-.14.56-.44.4-.5 0Z',
    lines: 'M-.5 0L.34 0M-.28-.34L-.22-.08M-.02-.4L.02-.08M-.28.34L-.22.08M-.02.4L.02.08',
  },
  'prawn-wrapped': {
    body: 'M-.44-.3L.3-.36Q.4-.1.34.3L-.42.36Q-.54 0-.44-.3Z',
    bone: 'M.34-.1L.5-.26L.48.22L.36.1Z',
    lines: 'M-.3-.32L-.14.34M-.1-.34L.06.33M.1-.35L.24.32',
  },
  'squid-ring': { body: 'M-.5 0A.5.5 0 1 0 .5 0A.5.5 0 1 0-.5 0ZM-.28 0A.28.28 0 1 1 .28 0A.28.28 0 1 1-.28 0Z' },
  'onion-ring': {
    body: 'M-.5 0A.5.5 0 1 0 .5 0A.5.5 0 1 0-.5 0ZM-.32 0A.32.32 0 1 1 .32 0A.32.32 0 1 1-.32 0Z',
    lines: 'M-.41 0A.41.41 0 0 1 .2-.36',
  },
  'pork-belly-slice': {
    body: block,
    lines: 'M-.47-.22C-.1-.1.2-.3.48-.2M-.47.06C-.1.16.2-.04.47.08M-.46.3C-.1.38.2.24.46.3',
  },
  'pork-loin-cutlet': {
    body: 'M-.48 0C-.5-.36-.2-.54.08-.46C.36-.4.52-.2.46.08C.42.2.28.16.22.26C.12.46-.06.52-.24.44C-.4.36-.48.2-.48 0Z',
    lines: 'M-.38-.04C-.38-.28-.16-.42.06-.36C.26-.32.38-.16.36.02',
  },
  'pork-rib': { body: block, bone: 'M-.5-.14L-.3-.14L-.3.16L-.5.16Z', lines: 'M-.3-.14L.44-.12M-.3.16L.44.18' },
  'beef-cutlet': { body: leaf, lines: 'M-.26-.1Q-.16-.2-.04-.14M.08.06Q.2-.02.3.06M-.16.2Q-.04.14.06.22' },
  meatball: {
    body: 'M-.5 0A.5.5 0 1 0 .5 0A.5.5 0 1 0-.5 0Z',
    lines: 'M-.24-.18L-.2-.16M.06-.28L.1-.25M.2.02L.24.05M-.1.14L-.06.18M.08.28L.12.3',
  },
  'potato-wedge': { body: 'M-.5.1C-.3-.5.3-.5.5.1C.3.48-.3.48-.5.1Z', lines: 'M-.5.1C-.2-.06.2-.06.5.1' },
  'potato-cube': { body: 'M-.5-.24L-.2-.5L.5-.44L.5.2L.2.5L-.5.4Z', lines: 'M-.5-.24L.2-.18L.5-.44M.2-.18L.2.5' },
};

interface Props {
  cut: CutInfo;
  /** Pixels a millimetre, so that cuts are to scale with each other. */
  scale: number;
}

/** A typical piece of a cut from above, to scale. */
export function CutDrawing({ cut, scale }: Props) {
  const s = shapes[cut.id] ?? { body: plump };
  const ring = cut.id.endsWith('-ring');
  // A ring's length is that of the strip it is bent from.
  const l = (ring ? cut.typicalMm.length / Math.PI + cut.typicalMm.width : cut.typicalMm.length) * scale;
  const w = ring ? l : cut.typicalMm.width * scale;
  const line = { vectorEffect: 'non-scaling-stroke', strokeLinejoin: 'round', strokeLinecap: 'round' } as const;
  return (
    <svg width={l + 4} height={w + 4} viewBox={`${-l / 2 - 2} ${-w / 2 - 2} ${l + 4} ${w + 4}`} aria-hidden>
      <g transform={`scale(${l} ${w})`} stroke="var(--ink)" fill="none">
        {s.bone ? <path d={s.bone} fill="var(--surface)" strokeWidth={1.3} {...line} /> : null}
        <path d={s.body} fill="var(--lemon-wash)" fillRule="evenodd" strokeWidth={1.6} {...line} />
        {s.lines ? <path d={s.lines} strokeWidth={1} opacity={0.75} {...line} /> : null}
      </g>
    </svg>
  );
}
