import { exactly, ml, texts } from '../say';
import { figure, line, refuse } from '../units';
import { type Batch, type MixBasis, type MixResult, NOTHING_DRAWN, partsOf, yieldLines } from './mix-ask';

const SAY = texts('press.amount', {
  purge: 'first shots thrown away',
  mixers: 'left in mixers',
  flow: 'flow check of each pack',
  times: '{n} × {each}',
  place: 'place {n}',
  places: '{places} of {of}',
});

/** What is pressed through mixers: like places in goes, each go inside the working time, fresh mixers where the last stood too long. @throws Refusal when one place takes longer than the resin works */
export function metered({ ask, proportion, kitMl, lines, placed, safety }: MixBasis): MixResult {
  const { sheet } = ask;
  const perPlace = ask.minutesPerPlace;
  if (perPlace > ask.usableMin)
    refuse(
      'usableMin',
      ask.usableMin,
      `at least ${figure(perPlace)} min`,
      `One place takes ${figure(perPlace)} min, the resin works for ${figure(ask.usableMin)} min. Work colder, add hands, or choose a slower resin.`,
    );
  const most = ask.grouping === 'one' ? 1 : Math.max(1, Math.floor(ask.usableMin / perPlace));
  const groups = Math.ceil(ask.count / most);
  // Between groups the mixer stands still while rods are set; within a group it stands for one place at a time.
  const idle = perPlace * Math.min(most, ask.count);
  const freshEachGroup = ask.idleMin === null || idle > ask.idleMin;
  const mixers = sheet.mixer ? (freshEachGroup ? groups : 1) : 0;
  const perMixer = sheet.mixer ? sheet.mixer.volumeMl + (ask.purge ? sheet.mixer.purgeMl : 0) : 0;
  const all = [...lines];
  if (sheet.mixer) {
    if (ask.purge)
      all.push({
        id: 'purge',
        label: SAY.purge(),
        ml: mixers * sheet.mixer.purgeMl,
        expression: SAY.times({ n: mixers, each: exactly(ml(sheet.mixer.purgeMl)) }),
        voice: 'sheet',
      });
    all.push({
      id: 'mixer',
      label: SAY.mixers(),
      ml: mixers * sheet.mixer.volumeMl,
      expression: SAY.times({ n: mixers, each: exactly(ml(sheet.mixer.volumeMl)) }),
      voice: 'sheet',
    });
  }
  const pressed = placed + mixers * perMixer;
  // Every pack is pressed out until both its parts flow: that much of it never reaches a mixer.
  const flow = sheet.mixer?.flowMl ?? 0;
  if (flow >= kitMl)
    refuse(
      'mixerFlow',
      flow,
      `under ${figure(kitMl)} mL`,
      `The flow check of ${figure(flow)} mL leaves nothing of a pack of ${figure(kitMl)} mL.`,
    );
  const packsFor = (volumeMl: number) => Math.ceil(volumeMl / (kitMl - flow) - 1e-9);
  const [use, buy] = [packsFor(pressed), packsFor(pressed + safety)];
  if (flow > 0)
    all.push({ id: 'flow', label: SAY.flow(), ml: use * flow, expression: SAY.times({ n: use, each: exactly(ml(flow)) }), voice: 'sheet' });
  const toMixMl = pressed + use * flow;
  const onHandMl = pressed + safety + buy * flow;
  const sizes = Array.from({ length: groups }, (_, i) => Math.floor(ask.count / groups) + (i < ask.count % groups ? 1 : 0));
  const batches = sizes.map((places, i): Batch => {
    const mine = (placed * places) / ask.count + (freshEachGroup || i === 0 ? perMixer : 0);
    return {
      index: i,
      portion: 0,
      label: places === 1 && ask.count > 1 ? SAY.place({ n: i + 1 }) : SAY.places({ places, of: ask.count }),
      ml: mine,
      ...partsOf(sheet, proportion, mine),
      kits: null,
      places,
      mixers: freshEachGroup || i === 0 ? Math.min(1, mixers) : 0,
      ...NOTHING_DRAWN,
    };
  });
  return {
    lines: all,
    toMixMl,
    onHandMl,
    batches,
    kits: { kit: ask.kit, volumeMl: kitMl, use, buy, leftMl: buy * kitMl - toMixMl, leftIsMixed: false },
    proportion,
    capMl: (placed * most) / ask.count,
    rateNeeded: null,
    working: [
      line(
        'Places in one go',
        ask.grouping === 'one'
          ? 'one at a time, as chosen'
          : `working time ${figure(ask.usableMin)} min / ${figure(perPlace)} min a place, rounded down`,
        most,
        '',
        undefined,
        ask.grouping === 'one' ? 'chosen' : 'computed',
      ),
      line(
        'Mixers',
        ask.idleMin === null
          ? 'one for each go: the sheet gives no idle time'
          : `${figure(idle)} min standing against ${figure(ask.idleMin)} min allowed`,
        mixers,
      ),
      line('Packs used', `${figure(toMixMl)} / ${figure(kitMl)} mL, rounded up`, use),
      line('Packs to have', `${figure(onHandMl)} mL at the 95 % value / ${figure(kitMl)} mL, rounded up`, buy),
      ...yieldLines(ask),
      ...proportion.working,
    ],
  };
}
