import fc from 'fast-check';
import type { UnitSystem } from '../units';
import { readCovers } from './covers-text';
import type { SystemKindId } from './kinds';
import { factsIn } from './pasted-facts';

const told = (text: string, kind: SystemKindId = 'paste', system: UnitSystem = 'metric') =>
  Object.fromEntries(factsIn(text, { kind, system }).map(({ field, text: value }) => [field, value]));

test('the page of a paste: packs, ratio, densities, limits and storage, and no time is taken for a figure', () => {
  expect(
    told(`Two-tin paste
Colour: grey
Packaging: A 1 kg + B 0.5 kg
Mixing ratio: 2 : 1 by weight
Density: A 1.42 kg/l, B 1.06 kg/l
Pot life (150 g) at 20 °C: 45 min
Open time 60 min
Application temperature: +10 °C to +30 °C
Bond line thickness 0.2 - 1 mm
Relative humidity max. 85 %
Surface at least 3 °C above dew point
Glass transition temperature: 54 °C
Service temperature -30 to +60 °C
Store between 5 and 30 °C
Shelf life: 24 months`),
  ).toEqual({
    pack: 'A 1 kg + B 0.5 kg',
    ratio: '2:1 by weight',
    densityA: '1.42 kg/l',
    densityB: '1.06 kg/l',
    'limits.baseMinC': '10 °C',
    'limits.baseMaxC': '30 °C',
    'limits.bondMinMm': '0.2 mm',
    'limits.bondMaxMm': '1 mm',
    'limits.humidityMaxPct': '85 %',
    'limits.dewMarginK': '3 K',
    'limits.glassC': '54 °C',
    'limits.serviceMaxC': '60 °C',
    storeMin: '5 °C',
    storeMax: '30 °C',
    shelfMonths: '24',
    colour: 'grey',
  });
});

test('a bag of mortar: water to the bag as a range, yield, layers, the largest grain, and the concrete’s age', () => {
  expect(
    told(
      `Supplied in: 25 kg bag
Water demand: 3.0 to 3.5 litres per 25 kg bag
Yield approx. 13 litres per bag
Density of fresh mortar 2.1 kg/dm³
Layer thickness min. 10 mm, max. 50 mm
Maximum grain size 3 mm
Do not apply below 5 °C or above 30 °C
Concrete must be at least 28 days old
Working time 45 min at 20 °C`,
      'cement-water',
    ),
  ).toEqual({
    pack: '25 kg bag',
    doseMin: '3.0 litres to 25 kg',
    doseMax: '3.5 litres to 25 kg',
    yieldMl: '13 litres',
    mixed: '2.1 kg/dm³',
    'limits.liftMinMm': '10 mm',
    'limits.liftMaxMm': '50 mm',
    'limits.grainMm': '3 mm',
    'limits.baseMinC': '5 °C',
    'limits.baseMaxC': '30 °C',
    'limits.baseAgeMinDays': '28',
  });
});

test('labels and figures of two columns that were copied one under the other', () => {
  expect(
    told(
      'Mixing ratio\n100 : 48 by weight\nSubstrate temperature\nmin. 8 °C\nLayer thickness\nmax. 30 mm',
      'liquid-resin',
    ),
  ).toEqual({ ratio: '100:48 by weight', 'limits.baseMinC': '8 °C', 'limits.liftMaxMm': '30 mm' });
});

test('a line that says several things says each of them', () => {
  expect(told('Application temperature 5 to 30 °C, relative humidity below 85 %, base dry', 'liquid-resin')).toEqual({
    'limits.baseMinC': '5 °C',
    'limits.baseMaxC': '30 °C',
    'limits.humidityMaxPct': '85 %',
  });
  expect(told('Up to 20 mm on walls; overhead 10 mm', 'mortar-kit')).toEqual({
    'limits.sagWallMm': '20 mm',
    'limits.sagOverheadMm': '10 mm',
  });
  expect(told('Paddle at 300 - 400 rpm for 3 minutes', 'mortar-kit')).toEqual({ mixRpm: '300 to 400' });
});

test('a ratio on both bases; one without its basis is left for the form to ask', () => {
  expect(told('Mixing ratio 2:1 by volume, 100:42 by weight')).toEqual({
    ratio: '2:1 by volume',
    also: '100:42 by weight',
  });
  expect(told('Mix ratio A:B 3:1')).toEqual({ ratio: '3:1' });
  expect(told('Ratio by weight 100 to 38')).toEqual({ ratio: '100:38 by weight' });
  expect(told('Mixed by volume: 4 parts A to 1 part B')).toEqual({ ratio: '4:1 by volume' });
});

test('what is dosed has a dose and no ratio; its range is a range, and a hundred to two is two per cent of part A', () => {
  expect(told('Hardener addition 1 - 3 %\nMixing ratio 100:2 by weight', 'polyester-filler')).toEqual({
    doseMin: '1 %',
    doseUsual: '2 %',
    doseMax: '3 %',
    doseOf: 'A',
  });
  expect(told('Catalyst: 2 %', 'finish-resin')).toEqual({ doseUsual: '2 %' });
  // Of what, where it is said.
  expect(told('Catalyst 1 to 2 % of the resin', 'finish-resin')).toMatchObject({ doseMax: '2 %', doseOf: 'A' });
  expect(told('Catalyst 2 % by weight of the total', 'finish-resin')).toMatchObject({ doseOf: 'total' });
  // Two tins have no dose.
  expect(told('Hardener 50 %')).toEqual({});
});

test('a layer is a lift and a thickness what the kind means by it', () => {
  const limits = (line: string, kind: SystemKindId) =>
    Object.entries(told(line, kind)).map(([field, text]) => `${field.replace('limits.', '')} ${text}`);
  expect(limits('Max layer 15 mm', 'paste')).toEqual(['liftMaxMm 15 mm']);
  expect(limits('Layer thickness 1 to 8 mm', 'paste')).toEqual(['liftMinMm 1 mm', 'liftMaxMm 8 mm']);
  expect(limits('Thickness 0.2 to 2 mm', 'paste')).toEqual(['bondMinMm 0.2 mm', 'bondMaxMm 2 mm']);
  expect(limits('Bond line 0.2 to 2 mm', 'paste')).toEqual(['bondMinMm 0.2 mm', 'bondMaxMm 2 mm']);
  expect(limits('Thickness max 12 mm', 'liquid-resin')).toEqual(['liftMaxMm 12 mm']);
  expect(limits('Layer thickness 3 to 10 mm', 'tile-adhesive')).toEqual(['bondMinMm 3 mm', 'bondMaxMm 10 mm']);
  expect(limits('Schichtdicke max. 20 mm', 'cartridge-paste')).toEqual(['liftMaxMm 20 mm']);
});

test('what it covers, by area or by area and millimetre, and never a word more', () => {
  expect(told('Coverage: 6.5 m²/L per coat', 'liquid-resin')).toEqual({ covers: '6.5 m²/L' });
  expect(told('Consumption approx. 150 - 200 g/m² per coat', 'liquid-resin')).toEqual({ covers: '150 - 200 g/m²' });
  // As people say it, of a pack, a litre or a kilogram.
  expect(told('One set covers 7 m² per coat; two coats', 'joint-colour')).toEqual({ covers: '7 m² a set' });
  expect(told('Each 1 kg unit covers 6 to 8 m²', 'liquid-resin')).toEqual({ covers: '6 to 8 m² a unit' });
  expect(told('1 litre covers 8 to 10 m² per coat', 'liquid-resin')).toEqual({ covers: '8 to 10 m² a litre' });
  expect(told('One kilo is enough for 4 m²', 'liquid-resin')).toEqual({ covers: '4 m² a kilo' });
  for (const { covers } of [told('One set covers 7 m²', 'joint-colour'), told('1 kg covers 5 m²', 'liquid-resin')])
    expect(readCovers(covers!, 'metric').per).not.toBeNull();
  expect(told('A 25 kg bag yields approx. 13 litres', 'cement-water')).toEqual({ yieldMl: '13 litres' });
  // Of nothing in particular it is nobody’s figure, and a litre of a kilogram is not what a bag makes.
  expect(told('Covers 7 m²', 'liquid-resin')).toEqual({});
  expect(told('Yield: 0.52 L per kg', 'cement-water')).toEqual({});
  expect(told('Gives 30 min of working time')).toEqual({});
  expect(told('Consumption: 1.7 kg/m² per mm', 'mortar-kit')).toEqual({ coverage: '1.7' });
  expect(told('Coverage 0.8 m²')).toEqual({});
});

test('sand by the volume of the liquid or by so much to so much, where the kind has it', () => {
  expect(told('Sand: 1.8 times the mixed liquid by bulk volume', 'crack-filler')).toEqual({
    cByWeight: '1.8 times by volume',
  });
  expect(told('Add filler 45 g per 100 mL of resin', 'four-part-paste')).toEqual({ cByWeight: '45 g to 100 mL' });
  expect(told('Broadcast sand 3 kg per 1 kg', 'crack-filler')).toEqual({});
  expect(told('Sand 2 parts by volume', 'paste')).toEqual({});
});

test('water that is let into a colour: as a share, or so much to so much; not what is kept off it', () => {
  const water = (line: string) => told(line, 'joint-colour').cByWeight;
  expect(water('Add 10 % water')).toBe('10 mL to 100 mL');
  expect(water('Water: 12 % by weight of the mixed colour')).toBe('12 g to 100 g');
  expect(water('Let 25 mL of water into 500 mL')).toBe('25 mL to 500 mL');
  expect(water('25 mL water to 500 mL')).toBe('25 mL to 500 mL');
  expect(water('Wasserzugabe 8 %')).toBe('8 mL to 100 mL');
  // A range is nobody’s figure, and what a sheet says of water afterwards is none of its own.
  expect(water('Add 5 to 10 % water')).toBeUndefined();
  expect(water('Water resistance after 24 h: 90 %')).toBeUndefined();
  expect(told('Add 10 % water', 'paste')).toEqual({});
});

test('a pack told part by part behind its own name', () => {
  expect(told('Set: bottle 1 250 mL + bottle 2 250 mL', 'joint-colour')).toEqual({
    pack: 'bottle 1 250 mL + bottle 2 250 mL',
  });
  expect(told('Kit: part A 2 kg + part B 1 kg')).toEqual({ pack: 'part A 2 kg + part B 1 kg' });
  expect(told('Set up a lamp: 2 kg')).toEqual({});
});

test('a pack told by the names of its parts, in a line or one below the other', () => {
  const pack = { pack: '300 g colour, 60 g hardener' };
  const both = { ...pack, cByWeight: '40 g to 360 g' };
  expect(told('Set: 300 g colour, 60 g hardener', 'joint-colour')).toEqual(pack);
  expect(told('Set: 300 g colour, 60 g hardener; add 40 g of water', 'joint-colour')).toEqual(both);
  expect(told('Set: 300 g colour, 60 g hardener\nAdd 40 g of cold water per set', 'joint-colour')).toEqual(both);
  // Of no known pack nobody knows to how much, and grams are not added to millilitres.
  expect(told('Add 40 g of water per set', 'joint-colour')).toEqual({});
  expect(told('Set: 300 g colour, 60 mL hardener\nAdd 40 g of water', 'joint-colour').cByWeight).toBeUndefined();
  const lines = 'Part A: 2.0 kg\nPart B: 1.0 kg\nPart C: 12 kg\nPot life 40 min at 20 °C';
  expect(told(lines, 'mortar-kit')).toEqual({ pack: 'Part A: 2.0 kg + Part B: 1.0 kg + Part C: 12 kg' });
  // Densities stay densities, sizes to choose from no pack, and a bag’s water comes from the tap.
  expect(told('Density\nPart A: 1.2 kg/L\nPart B: 1.0 kg/L').pack).toBeUndefined();
  expect(told('Part A: 1 kg or 5 kg\nPart B: 1 kg or 5 kg')).toEqual({});
  expect(told('Powder 25 kg, water 3 L', 'cement-water').pack).toBeUndefined();
  // In the name of a product, its ratio beside it.
  const putty = 'Two-part repair putty 1 kg resin + 1 kg hardener';
  expect(told(putty, 'putty')).toEqual({ pack: '1 kg resin + 1 kg hardener' });
  expect(told('Injection mortar 410 ml coaxial cartridge 10:1', 'anchor-pack')).toEqual({
    pack: '410 ml coaxial cartridge 10:1',
  });
  expect(told('Steel putty stick 114 g\nMix 1:1', 'putty')).toEqual({ pack: '114 g', ratio: '1:1' });
  expect(told('Resin 1 kg, hardener 250 g (4:1 by weight)', 'liquid-resin').pack).toMatch(
    /^Resin 1 kg, hardener 250 g/,
  );
  expect(told('Non-shrink grout\n25 kg bag. Mix with 3.4–3.8 litres clean water.', 'cement-water')).toEqual({
    pack: '25 kg bag',
    doseMin: '3.4 litres to 25 kg',
    doseMax: '3.8 litres to 25 kg',
  });
  expect(told('Mix with 3.5 litres of clean water', 'cement-water')).toEqual({});
  expect(told('25 kg bag\nClean tools with 5 litres of water', 'cement-water')).toEqual({ pack: '25 kg bag' });
  expect(told('Density resin 1.15, hardener 0.98', 'liquid-resin')).toEqual({
    densityA: '1.15 g/mL',
    densityB: '0.98 g/mL',
  });
  expect(told('Rapid repair mortar, 10 kg tub', 'cement-water')).toEqual({ pack: '10 kg tub' });
  expect(told('Joint mortar 5 kg unit (A 4.6 kg + B 0.4 kg)', 'liquid-resin').pack).toMatch(/A 4.6 kg \+ B 0.4 kg/);
  expect(told('Stone filler 1 litre tin incl. 30 g hardener tube', 'polyester-filler').pack).toMatch(/^1 litre tin/);
  expect(told('Add 2 parts dry sand by volume to 1 part mixed resin', 'crack-filler')).toEqual({
    cByWeight: '2 times by volume',
  });
  expect(told('Add 2 parts of dry sand to 1 part resin', 'crack-filler')).toEqual({});
  expect(told('Modified thinset, 50 lb bag, 5.5-6 quarts of water', 'tile-adhesive', 'us')).toEqual({
    pack: '50 lb bag',
    doseMin: '5.5 US qt to 50 lb',
    doseMax: '6 US qt to 50 lb',
  });
  const german = '10 kg (Komp. A 1,2 kg, Komp. B 0,6 kg, Komp. C 8,2 kg)';
  expect(told(`Gebinde: ${german}`, 'mortar-kit')).toEqual({ pack: german });
  expect(told('Polyesterspachtel 1,8 kg Dose mit 40 g Härterpaste', 'polyester-filler')).toEqual({
    pack: '1,8 kg Dose mit 40 g Härterpaste',
  });
  // Too long for a label, it is told by its letters, with nothing lost.
  const long =
    'Base component in a blue tin 10 kg, hardener component in a tin 2 kg, washed quartz sand in a bag 30 kg';
  expect(told(long, 'mortar-kit')).toEqual({ pack: 'A 10 kg + B 2 kg + C 30 kg' });
});

test('a basis named ahead of its figures is theirs, and not that of the figures before it', () => {
  const both = { ratio: '1:1 by volume', also: '100:80 by weight' };
  expect(told('Mix ratio by volume 1:1, by weight 100:80')).toEqual(both);
  expect(told('Mixing ratio 1:1 by volume, 100:80 by weight')).toEqual(both);
  expect(told('Mix ratio by volume: 1:1 (100:80 by weight)')).toEqual(both);
  expect(told('Mix ratio (by weight) 100:40')).toEqual({ ratio: '100:40 by weight' });
  // A word of volume in the name of a product is no basis.
  expect(told('High volume adhesive, mixing ratio 100:50 by weight')).toEqual({ ratio: '100:50 by weight' });
  // What an equal share is of stands behind it.
  expect(told('Mix equal parts by weight until grey')).toEqual({ ratio: '1:1 by weight' });
});

test('two bottles by their numbers, a dispersion beside its bag, a tube beside its tin', () => {
  expect(told('Bottle 1: 250 ml colour, bottle 2: 50 ml activator. Add 25 ml water.', 'joint-colour')).toEqual({
    pack: '250 ml colour, bottle 2: 50 ml activator',
    cByWeight: '25 ml to 300 mL',
  });
  expect(told('Powder 25 kg + latex 5 L', 'tile-adhesive')).toEqual({
    pack: 'Powder 25 kg + latex 5 L',
    doseUsual: '5 L to 25 kg',
  });
  expect(told('Fine stopper 1.2 kg inc. hardener 24 g', 'polyester-filler').pack).toBe('1.2 kg inc. hardener 24 g');
  expect(told('Jointing paste 6 kg (A+B = 4.5 kg + 1.5 kg)').pack).toMatch(/4.5 kg \+ 1.5 kg/);
  expect(told('Penetrating sealer, 2:1 by volume. 1.5 L kit.', 'consolidant')).toMatchObject({
    ratio: '2:1 by volume',
  });
  expect(told('Fill with sand 2:1 by volume', 'mortar-kit').ratio).toBeUndefined();
});

test('German shares and bases by weight; the density of both is that of neither', () => {
  expect(told('Mischungsverhältnis in Gewichtsteilen A : B = 100 : 30')).toEqual({ ratio: '100:30 by weight' });
  expect(told('Dichte (A+B) 1,55 kg/l')).toEqual({ mixed: '1,55 kg/l' });
  expect(told('Dichte A 1,1 kg/l, B 1,0 kg/l')).toEqual({ densityA: '1,1 kg/l', densityB: '1,0 kg/l' });
  expect(told('Spachtelmasse 2 kg Dose inkl. 40 g Härter\nHärter 2 - 4 Gew.-%', 'polyester-filler')).toEqual({
    pack: '2 kg Dose inkl. 40 g Härter',
    doseMin: '2 %',
    doseMax: '4 %',
  });
});

test('a paragraph is read sentence by sentence', () => {
  const paragraph = `${'It is made for outdoor repairs of worn and broken edges. '.repeat(6)}Supplied in 2 kg tins. Mix equal parts by weight. Base temperature 5 to 30 °C.`;
  expect(paragraph.length).toBeGreaterThan(300);
  expect(told(paragraph)).toEqual({
    pack: '2 kg tin',
    ratio: '1:1 by weight',
    'limits.baseMinC': '5 °C',
    'limits.baseMaxC': '30 °C',
  });
  const bag = 'Add 2.75 to 3.0 litres of clean water to each 20 kg bag. One bag gives about 10.5 litres.';
  expect(told(bag, 'cement-water')).toEqual({
    pack: '20 kg bag',
    doseMin: '2.75 litres to 20 kg',
    doseMax: '3.0 litres to 20 kg',
    yieldMl: '10.5 litres',
  });
  expect(told('For 100 g of filler use 2 g of hardener', 'polyester-filler')).toEqual({ doseUsual: '2 g to 100 g' });
  // What a bottle in the box holds is no pack of what is dosed.
  expect(told('Topcoat, catalyst 2 % (20 ml bottle included)', 'finish-resin')).toEqual({ doseUsual: '2 %' });
});

test('of several sizes of pack nobody knows which is meant', () => {
  expect(told('Packaging: 1 kg, 5 kg and 10 kg kits')).toEqual({});
  expect(told('Kit size 10 kg', 'mortar-kit')).toEqual({ pack: '10 kg' });
  expect(told('Pack A 500 g + B 500 g')).toEqual({ pack: 'A 500 g + B 500 g' });
  expect(told('Tin 1.5 kg', 'polyester-filler')).toEqual({ pack: 'Tin 1.5 kg' });
  expect(told('Kit A 1.5 kg + B 0.5 kg + C 8 kg', 'mortar-kit')).toEqual({ pack: 'A 1.5 kg + B 0.5 kg + C 8 kg' });
  expect(told('Bag: 25 kg', 'cement-water')).toEqual({ pack: '25 kg' });
  expect(told('Supplied in 300 mL cartridges', 'anchor-pack')).toEqual({ pack: '300 mL cartridge' });
});

test('German sheets', () => {
  expect(
    told(
      `Mischungsverhältnis 100 : 25 nach Gewicht
Verarbeitungstemperatur: mind. +8 °C, max. +30 °C
Luftfeuchtigkeit höchstens 80 %
Restfeuchte max. 4 %
Schichtdicke 5 bis 40 mm
Haltbarkeit 12 Monate
Lagerung 10 bis 25 °C`,
      'mortar-kit',
    ),
  ).toEqual({
    ratio: '100:25 by weight',
    'limits.baseMinC': '8 °C',
    'limits.baseMaxC': '30 °C',
    'limits.humidityMaxPct': '80 %',
    'limits.moistureMaxPct': '4 %',
    'limits.liftMinMm': '5 mm',
    'limits.liftMaxMm': '40 mm',
    shelfMonths: '12',
    storeMin: '10 °C',
    storeMax: '25 °C',
  });
});

test('degrees Fahrenheit and inches stay as they are printed', () => {
  expect(told('Surface temperature 50 to 90 °F\nMaximum layer thickness 1 in', 'mortar-kit', 'us')).toEqual({
    'limits.baseMinC': '50 °F',
    'limits.baseMaxC': '90 °F',
    'limits.liftMaxMm': '1 in',
  });
});

test('a temperature that is no limit is none, and a bulk density is no density', () => {
  expect(told('Base temperature 23 °C\nBulk density 1.4 kg/l\nFilm thickness 120 µm')).toEqual({});
  expect(told('Density 1.5 - 1.6 kg/l')).toEqual({});
  // A density at a temperature is no density of twenty, and a moisture of the base no humidity of the air.
  expect(told('Density at 20 °C: 1.4 kg/l')).toEqual({ mixed: '1.4 kg/l' });
  expect(told('Moisture content of the base max. 4 % (75 % RH)', 'mortar-kit')).toEqual({
    'limits.moistureMaxPct': '4 %',
  });
});

test('of two lines for one field the first counts', () => {
  expect(told('Layer thickness max. 20 mm\nLayer thickness max. 30 mm', 'mortar-kit')).toEqual({
    'limits.liftMaxMm': '20 mm',
  });
});

test('anything may be pasted: it ends, and whatever comes of it is text', () => {
  const word = fc.constantFrom(
    'Density',
    'min.',
    '12',
    '3:1',
    '°C',
    'mm',
    '%',
    'A',
    ':',
    '\n',
    'water',
    'per',
    '25 kg',
  );
  fc.assert(
    fc.property(fc.array(fc.oneof(word, fc.string({ maxLength: 8 })), { maxLength: 60 }), (words) => {
      for (const fact of factsIn(words.join(' '), { kind: 'cement-water', system: 'metric' }))
        expect(fact.text).toMatch(/\S/);
    }),
  );
  expect(factsIn(`Density ${'1'.repeat(100_000)}`, { kind: 'paste', system: 'metric' })).toEqual([]);
});

test.each<[SystemKindId, string, Record<string, string>]>([
  [
    'mortar-kit',
    'Minimum substrate temperature 10°C, at least 3°C above dew point',
    { 'limits.baseMinC': '10 °C', 'limits.dewMarginK': '3 K' },
  ],
  ['mortar-kit', 'Dew point: substrate min. 3 K above', { 'limits.dewMarginK': '3 K' }],
  ['mortar-kit', 'Residual moisture of substrate < 4 CM-%', { 'limits.moistureMaxPct': '4 %' }],
  ['mortar-kit', 'Mischzeit 3 Min. Schichtdicke max. 30 mm', { 'limits.liftMaxMm': '30 mm' }],
  ['mortar-kit', 'Up to 30 mm per layer', { 'limits.liftMaxMm': '30 mm' }],
  // What a bag makes is no pack, and what a kilogram makes is no bag.
  ['cement-water', '1 bag = approx. 13 l fresh mortar', { yieldMl: '13 l' }],
  ['cement-water', 'Fresh mortar yield approx. 0.52 l/kg', {}],
  // What is let in is the less of the two, in whatever order they stand.
  ['cement-water', 'Mixing ratio: 25 kg powder to 4.0 litres water', { doseUsual: '4.0 litres to 25 kg' }],
  ['cement-water', '25 kg : 4.0 l water', { doseUsual: '4.0 l to 25 kg' }],
  ['cement-water', 'Water: 0.13 - 0.14 l/kg', { doseMin: '0.13 l to 1 kg', doseMax: '0.14 l to 1 kg' }],
  ['paste', '100 parts A to 45 parts B by weight', { ratio: '100:45 by weight' }],
  ['paste', 'Density: A = 1.16 g/cm³; B = 0.99 g/cm³', { densityA: '1.16 g/cm³', densityB: '0.99 g/cm³' }],
  // A hundred to two of what is dosed is a dose; on no basis it is nobody's.
  ['polyester-filler', 'Mixing ratio 100 : 2 by weight', { doseUsual: '2 %', doseOf: 'A' }],
  ['polyester-filler', 'Mixing ratio 100 : 2', {}],
  ['polyester-filler', 'Mixing ratio 1 : 1 by weight', {}],
  ['anchor-pack', 'Blow 2 times, brush 2 times, blow 2 times with air', { cleaning: 'Blow 2x, brush 2x, blow 2x' }],
  ['anchor-pack', 'M8: 10 mm, M10: 12 mm', { rods: 'M8: 10 mm\nM10: 12 mm' }],
  ['anchor-pack', 'hole diameter 12 mm for M10, 14 mm for M12', { rods: 'M10: 12 mm\nM12: 14 mm' }],
  ['liquid-resin', 'Coverage 4-6 m²/l depending on wood', { covers: '4-6 m²/l' }],
])('%s: %s', (kind, line, facts) => expect(told(line, kind)).toEqual(facts));
