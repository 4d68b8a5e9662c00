'use client';
import { useEffect, useMemo, useState } from 'react';
import type { ScaleReading } from '@/device/scale';
import { type SimulatedScale, simulatedScale, USUAL_SCALE } from '@/device/simulated-scale';

/** The scale beside the pot, as long as the page stands. */
export function useScale(
  on: boolean,
  stepG: number,
): { readonly scale: SimulatedScale; readonly reading: ScaleReading | null } {
  const scale = useMemo(() => simulatedScale({ ...USUAL_SCALE, stepG, noiseG: Math.max(0.02, stepG * 0.4) }), [stepG]);
  const [reading, setReading] = useState<ScaleReading | null>(null);
  useEffect(() => {
    if (!on) return;
    return scale.listen(setReading);
  }, [scale, on]);
  return { scale, reading: on ? reading : null };
}
