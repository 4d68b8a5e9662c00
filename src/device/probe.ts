import { seeded } from '@/core/void';

/** What a probe says of the place it is held to. */
export interface ProbeReading {
  readonly atMs: number;
  readonly tempC: number;
  readonly humidityPct: number;
  /** It has been held long enough to be read. */
  readonly settled: boolean;
}

/** A temperature and humidity probe; real ones and the one that ships look the same from here. */
export interface Probe {
  readonly name: string;
  listen(onReading: (reading: ProbeReading) => void): () => void;
}

/** Held to a face, its tip comes to the temperature of the face with this time constant, s. */
const TIP_S = 6;

/**
 * What the made-up probe shows so many seconds after it was put to a face. @param noise a number of standard normal
 * spread
 */
export function probeAfter(
  seconds: number,
  face: { readonly tempC: number; readonly humidityPct: number },
  handC: number,
  noise: number,
): Omit<ProbeReading, 'atMs'> {
  const left = Math.exp(-seconds / TIP_S);
  return {
    tempC: Math.round((face.tempC + (handC - face.tempC) * left + 0.05 * noise) * 10) / 10,
    humidityPct: Math.round(Math.min(100, Math.max(0, face.humidityPct + 0.4 * noise))),
    settled: left < 0.02,
  };
}

/** Readings of the made-up probe, second by second, without end. */
export function* madeUpProbe(
  face: { readonly tempC: number; readonly humidityPct: number },
  seed: number,
  startMs: number,
): Generator<ProbeReading> {
  const random = seeded(seed);
  const normal = () => Array.from({ length: 12 }, random).reduce((a, b) => a + b, -6);
  for (let s = 1; ; s++) yield { atMs: startMs + s * 1000, ...probeAfter(s, face, 24, normal()) };
}
