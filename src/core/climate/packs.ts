import { layered, potGrid, runHeat } from '../heat';
import { degC, exactly, refuse, texts } from '../say';
import { figure } from '../units';

const REFUSED = texts('refused.climate.packs', {
  'pack-needs-volume': 'A pack needs a volume above 0.',
  'place-never-brings': 'A place of {around} never brings it to {want}.',
  'within-four-days': 'Within four days it is not warmed through: take smaller packs or a bath.',
});

/** What material stands in. */
export const CONTAINERS = {
  tin: { label: 'tin or jar', aspect: 1.2 },
  pail: { label: 'pail', aspect: 1 },
  cartridge: { label: 'cartridge', aspect: 4.5 },
  bag: { label: 'bag, lying flat', aspect: null },
} as const;
export type ContainerId = keyof typeof CONTAINERS;

/** Where it is warmed or cooled, with its film, W/m²K. */
export const WARMERS = {
  room: { label: 'a warm room', h: 8 },
  fan: { label: 'a warmed box with a fan', h: 20 },
  bath: { label: 'a water bath, packs closed', h: 150 },
} as const;
export type WarmerId = keyof typeof WARMERS;

/** Usual figures of liquid resin. */
const K = 0.2;
const C = 2000;
/** Thickness of a bag that lies flat, m. */
const BAG_M = 0.05;
/** Warmed through when the middle is this near to the wanted temperature, K. */
const THROUGH_K = 1;
const HORIZON_S = 4 * 86_400;

export interface PackAsk {
  readonly container: ContainerId;
  readonly volumeMl: number;
  readonly densityGPerMl: number;
  readonly fromC: number;
  /** Temperature the sheet or the user wants it to have. */
  readonly wantC: number;
  readonly aroundC: number;
  readonly warmer: WarmerId;
}

export interface PackAnswer {
  /** Until its mean is there: warm enough to mix. */
  readonly meanMin: number;
  /** Until its middle is there: warmed through. */
  readonly throughMin: number;
  readonly history: {
    readonly minutes: readonly number[];
    readonly meanC: readonly number[];
    readonly middleC: readonly number[];
  };
}

/**
 * How long a closed pack takes to come to a temperature: conduction through its contents by finite volumes, a cylinder
 * r–z or a slab.
 * @throws Refusal when the place can never bring it there, or for sizes that are not positive
 */
export function packWarming(o: PackAsk): PackAnswer {
  if (!(o.volumeMl > 0)) refuse('volumeMl', o.volumeMl, 'more than 0 mL', REFUSED['pack-needs-volume']());
  const warming = o.wantC > o.fromC;
  if (Math.abs(o.wantC - o.fromC) < 0.05)
    return { meanMin: 0, throughMin: 0, history: { minutes: [0], meanC: [o.fromC], middleC: [o.fromC] } };
  if (warming ? o.aroundC < o.wantC + THROUGH_K / 2 : o.aroundC > o.wantC - THROUGH_K / 2)
    refuse(
      'aroundC',
      o.aroundC,
      warming ? `above ${figure(o.wantC + THROUGH_K / 2)} °C` : `below ${figure(o.wantC - THROUGH_K / 2)} °C`,
      REFUSED['place-never-brings']({
        around: exactly(degC(o.aroundC)),
        want: exactly(degC(o.wantC)),
      }),
    );
  const volume = o.volumeMl / 1e6;
  const rhoC = o.densityGPerMl * 1000 * C;
  const { h } = WARMERS[o.warmer];
  const { aspect } = CONTAINERS[o.container];
  const radius = aspect === null ? 0 : Math.cbrt(volume / (2 * Math.PI * aspect));
  const grid =
    aspect === null
      ? layered('slab', [{ lengthM: BAG_M, cells: 17, k: K, rhoC, reacting: 0 }], h, h)
      : potGrid({
          radiusM: radius,
          heightM: 2 * radius * aspect,
          k: K,
          rhoC,
          reacting: 0,
          hWall: h,
          hBottom: h,
          hTop: h,
          cellsR: 9,
          cellsZ: 15,
        });
  const middle = aspect === null ? 8 : 7 * grid.nu;
  const whole = grid.volume.reduce((a, b) => a + b, 0);
  const filmWK = h * (aspect === null ? 2 : 2 * Math.PI * radius * radius + 4 * Math.PI * radius * radius * aspect);
  const there = (c: number, by: number) => (warming ? c >= by : c <= by);
  const minutes = [0];
  const meanC = [o.fromC];
  const middleC = [o.fromC];
  let meanMin = Number.NaN;
  let throughMin = Number.NaN;
  runHeat({
    grid,
    kinetics: null,
    startC: o.fromC,
    outside: () => ({ firstU: o.aroundC, lastU: o.aroundC, firstV: o.aroundC, lastV: o.aroundC }),
    untilS: HORIZON_S,
    // A hundred and fiftieth of the time in which the film alone would warm it.
    maxStepS: Math.min(300, Math.max(0.5, (rhoC * whole) / filmWK / 150)),
    watch: ({ s, tempC }) => {
      const mean = tempC.reduce((a, t, i) => a + t * grid.volume[i]!, 0) / whole;
      const mid = tempC[middle]!;
      if (s / 60 - minutes.at(-1)! >= 2) {
        minutes.push(s / 60);
        meanC.push(mean);
        middleC.push(mid);
      }
      if (Number.isNaN(meanMin) && there(mean, o.wantC)) meanMin = s / 60;
      if (Number.isNaN(throughMin) && there(mid, o.wantC - (warming ? THROUGH_K : -THROUGH_K))) throughMin = s / 60;
      return !Number.isNaN(meanMin) && !Number.isNaN(throughMin);
    },
  });
  if (Number.isNaN(meanMin) || Number.isNaN(throughMin))
    refuse('volumeMl', o.volumeMl, 'packs that warm within four days', REFUSED['within-four-days']());
  return { meanMin, throughMin: Math.max(meanMin, throughMin), history: { minutes, meanC, middleC } };
}
