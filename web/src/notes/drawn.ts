import type { Schemas } from '../api/client';

/** Shapes of keys as SVG paths around their middle, and what of a drawing is shown. */

type Place = Schemas['Place'];
type Box = Schemas['Box'];
type Drawing = Schemas['DrawingView'];

const n = (x: number) => String(Math.round(x * 100) / 100);
const circle = (x: number, r: number) =>
  `M${n(x - r)} 0a${n(r)} ${n(r)} 0 1 0 ${n(2 * r)} 0a${n(r)} ${n(r)} 0 1 0 ${n(-2 * r)} 0Z`;

function bar(x: number, y: number, w: number, h: number, round: number) {
  const r = Math.min(round, w / 2, h / 2);
  const a = `a${n(r)} ${n(r)} 0 0 1 `;
  return (
    `M${n(x + r)} ${n(y)}h${n(w - 2 * r)}${a}${n(r)} ${n(r)}v${n(h - 2 * r)}${a}${n(-r)} ${n(r)}` +
    `h${n(2 * r - w)}${a}${n(-r)} ${n(-r)}v${n(2 * r - h)}${a}${n(r)} ${n(-r)}Z`
  );
}

/** How far a valve is pressed down. */
const STROKE = 8;
const CAP = 8;

/** How a key is drawn. */
export interface Shape {
  /** what is filled when it is held */
  face: string;
  /** what is filled when half of it is covered */
  half: string;
  /** lines on it while it is up */
  fine: string;
  /** what stays where it is: the casing of a valve */
  fixed: string;
}

/** The shape of a key; a valve goes down when it is held. */
export function shape({ form, w, h }: Place, down = false): Shape {
  const left = -w / 2;
  const top = -h / 2;
  const r = w / 2;
  const halfRound = `M0 ${n(-r)}a${n(r)} ${n(r)} 0 0 0 0 ${n(2 * r)}Z`;
  const round = { face: circle(0, r), half: halfRound, fixed: '' };
  const long = { half: bar(left, top, w / 2, h, w * 0.3), fixed: '' };
  switch (form) {
    case 'HOLE':
      return { ...round, fine: '' };
    case 'RING':
      return { ...round, fine: circle(0, r * 0.62) };
    case 'PLATE':
      return { ...round, fine: circle(0, r * 0.72) };
    case 'TWIN': {
      const small = h / 2;
      return {
        face: circle(-w / 4, small) + circle(w / 4, small),
        half: circle(-w / 4, small),
        fine: '',
        fixed: ''
      };
    }
    case 'ROLLER':
      return {
        ...long,
        face: bar(left, top, w, h, h / 2),
        fine: `M${n(left + h / 2)} 0H${n(-left - h / 2)}`
      };
    case 'DROP': {
      const b = h / 2 - r;
      return {
        ...long,
        face:
          `M0 ${n(top)}C${n(r * 0.5)} ${n(top * 0.5)} ${n(r)} ${n(b - r)} ${n(r)} ${n(b)}` +
          `a${n(r)} ${n(r)} 0 0 1 ${n(-w)} 0C${n(-r)} ${n(b - r)} ${n(-r * 0.5)} ${n(top * 0.5)} 0 ${n(top)}Z`,
        fine: ''
      };
    }
    case 'PISTON': {
      const at = top + (down ? STROKE : 0);
      const casing = top + CAP + STROKE + 2;
      return {
        face: bar(left, at, w, CAP, 3),
        half: '',
        fine: '',
        fixed:
          bar(-2, at + CAP, 4, casing - at - CAP, 0) +
          bar(left + 1.5, casing, w - 3, -top - casing, 2.5)
      };
    }
    default:
      return { ...long, face: bar(left, top, w, h, Math.min(w, h) * 0.35), fine: '' };
  }
}

const has = (b: Box, x: number, y: number) =>
  x >= b.x && x <= b.x + b.w && y >= b.y && y <= b.y + b.h;

/**
 * A drawing with the keys that an instrument has: where no thumb has anything to do, the back of the
 * tube is left out.
 */
export function shown(drawing: Drawing, keys: { token: string; left: boolean }[]): Drawing {
  const places = drawing.places.filter((p) =>
    keys.some((k) => k.token === p.token && k.left === p.left)
  );
  const behind = drawing.behind.filter((b) => places.some((p) => has(b, p.x, p.y)));
  const gone = drawing.behind.filter((b) => !behind.includes(b));
  const body = drawing.body.filter(({ path }) => {
    const [, x, y] = path.match(/^M(-?[\d.]+) (-?[\d.]+)/) ?? [];
    return !gone.some((b) => has(b, Number(x), Number(y)));
  });
  return { ...drawing, places, behind, body };
}

/** A key's face without the word that says where it lies, which one sees. */
export const letter = (face: string) => face.split(' ').at(-1)!;
