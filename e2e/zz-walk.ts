import { chromium, type Page } from 'playwright-core';
import { FLAGS, fresh } from './browser';
import { choose, inspected, measuredAs, stage, type, typeTime, unfold } from './hands';

const base = 'http://127.0.0.1:4177';
type Times = [string, string, string?, string?][];
async function sheet(page: Page, name: string, kind: string, fields: [string, string][], times: Times) {
  await page.goto(`${base}/shelf/new`);
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByLabel('Kind').selectOption({ label: kind });
  await unfold(page);
  for (const [l, t] of fields)
    if (l === 'May be split') await choose(page, l, t);
    else if (l === 'Per cent of what')
      await page.getByRole('radiogroup', { name: l }).getByRole('radio').first().click();
    else await type(page, l, t);
  for (const [of, text, from, on] of times) await typeTime(page, of, text, from, on);
  for (let i = 0; i < 2; i++) {
    await page.getByRole('button', { name: /Put it on the shelf/ }).click();
    try {
      await page.waitForURL(/\/shelf\/(?!new)/, { timeout: 4000 });
      return;
    } catch {
      console.log('SHEET', (await page.locator('[role=alert]').allInnerTexts()).join(' | '));
    }
  }
}
async function job(page: Page, air: string, hum: string, made: string, method: RegExp) {
  await page.goto(base);
  await page.getByRole('button', { name: 'New job' }).click();
  await page.waitForURL(/\/job\//);
  await type(page, 'Air temperature', air);
  await type(page, 'Humidity', hum);
  await page.getByRole('radiogroup', { name: 'It is made of' }).getByRole('radio', { name: made, exact: true }).click();
  await page.getByRole('button', { name: method }).first().click();
  await page.waitForURL(/inspect/);
}
const out = async (page: Page, name: string) =>
  console.log(`\n=== ${name}\n` + (await page.locator('#main').innerText()).replace(/\n\s*\n+/g, '\n'));
async function all(page: Page, stages = ['Mix', 'Place', 'Hold', 'Finish']) {
  for (const s of stages) {
    await stage(page, s);
    await page.waitForTimeout(300);
    await out(page, s);
  }
}
const jobs: Record<string, (page: Page) => Promise<void>> = {
  dent: async (page) => {
    await sheet(
      page,
      'Soft filler',
      'Polyester or vinylester filler with paste peroxide',
      [
        ['Density of A', '1.82'],
        ['Density of B', '1.15'],
        ['Least hardener', '1 %'],
        ['Usual hardener', '2 %'],
        ['Most hardener', '3 %'],
        ['Per cent of what', 'A'],
        ['of A', '1.5 kg'],
        ['of B', '30 g'],
        ['Lift to', '4 mm'],
      ],
      [
        [
          'Use-by of the pot',
          '1 %, 10 C: 16 min\n1 %, 20 C: 8 min\n2 %, 10 C: 10 min\n2 %, 20 C: 5 min\n3 %, 10 C: 7 min\n3 %, 20 C: 3.5 min',
        ],
        ['Grind or sand', '10 C: 50 min\n20 C: 22 min'],
      ],
    );
    await job(page, '14 °C', '62 %', 'metal', /^Dent filled/);
    await inspected(page, 'body-filler');
    await stage(page, 'Measure');
    await measuredAs(page, /Hollow or patch/, ['620 mm', '430 mm', '3.2 mm']);
    await stage(page, 'Material');
    await page
      .getByRole('button', { name: /^Choose: / })
      .first()
      .click();
    await all(page);
  },
  crack: async (page) => {
    await sheet(
      page,
      'Fast resin',
      'Fast crack filler with sand',
      [
        ['A to B, with its basis', '1:1 by volume'],
        ['Parts of C by weight', '1.8 by volume'],
        ['True density of C', '2.64'],
        ['Tamped bulk density of C', '1.58'],
        ['of A', '1 L'],
        ['of B', '1 L'],
        ['of C', '5.7 kg'],
        ['May be split', 'yes'],
        ['Mixing time', '45 s'],
        ['Left in the pot and on tools', '15 mL'],
      ],
      [
        ['Use-by of the pot', '10 C: 6.5 min\n20 C: 3.2 min'],
        ['Grind or sand', '5 C: 110 min\n20 C: 50 min'],
        ['Foot traffic', '5 C: 3 h\n20 C: 1 h'],
      ],
    );
    await job(page, '9 °C', '60 %', 'concrete', /Crack in a slab, poured/);
    await inspected(page, 'poured-crack');
    await stage(page, 'Measure');
    await page
      .locator('section[aria-label="Sheet"] section button')
      .filter({ hasText: /Crack|chased/ })
      .first()
      .click();
    await page.waitForTimeout(500);
    await type(page, 'Stations along the crack 2: at', '9.6 m');
    for (const i of [1, 2]) {
      await type(page, `Stations along the crack ${i}: width`, '14 mm');
      await type(page, `Stations along the crack ${i}: depth`, '26 mm');
    }
    await choose(page, 'Sawn open', 'a slot along it');
    await type(page, 'Width of the sawn slot', '3 mm');
    await type(page, 'Depth of the sawn slot', '48 mm');
    await out(page, 'Measure');
    await stage(page, 'Material');
    await page
      .getByRole('button', { name: /^Choose: / })
      .first()
      .click();
    await all(page);
  },
  collar: async (page) => {
    await sheet(
      page,
      'Pouring resin',
      'Resin and hardener, liquid',
      [
        ['A to B, with its basis', '100:40 by weight'],
        ['of A', '2.8 kg'],
        ['of B', '1.12 kg'],
      ],
      [
        ['Use-by of the pot', '10 C: 50 min\n20 C: 25 min'],
        ['Next lift', '5 C: 14 to 20 h\n20 C: 5 to 6 h'],
        ['Foot traffic', '10 C: 24 h\n20 C: 10 h'],
      ],
    );
    await job(page, '9 °C', '60 %', 'concrete', /Poured collar/);
    await inspected(page, 'poured-collar');
    await stage(page, 'Measure');
    await page
      .locator('section[aria-label="Sheet"] section button')
      .filter({ hasText: /ring or channel|Ring/i })
      .first()
      .click();
    await page.waitForTimeout(500);
    await type(page, 'Outer diameter', '520 mm');
    await type(page, 'Inner diameter', '440 mm');
    await type(page, 'Depth', '35 mm');
    await out(page, 'Measure');
    await stage(page, 'Material');
    await page
      .getByRole('button', { name: /^Choose: / })
      .first()
      .click();
    await all(page);
  },
  holes: async (page) => {
    await sheet(page, 'Vinyl sachet', 'Pre-measured sachets', [['A to B, with its basis', '100:2 by weight'], ['of A', '10 mL'], ['of B', '0.2 g'], ["The sheet’s own yield", '9.22 mL'], ['May be split', 'no'], ['Left in the pot and on tools', '0 mL'], ['Lift to', '8 mm']],
      [['Use-by of the pot', '10 C: 30 min\n20 C: 15 min'], ['Gel', '10 C: 90 min\n20 C: 40 min'], ['Grind or sand', '10 C: 10 h\n20 C: 5 h']]);
    await job(page, '13 °C', '60 %', 'laminate', /Hole in a laminate/);
    await inspected(page, 'laminate-hole');
    await stage(page, 'Measure');
    await page.locator('section[aria-label="Sheet"] section button').filter({ hasText: /Drilled hole/ }).first().click();
    await type(page, 'Hole diameter, actual bit', '16 mm'); await type(page, 'Hole depth to the shoulder', '14 mm'); await type(page, 'Like voids', '4');
    await out(page, 'Measure');
    await stage(page, 'Material'); await page.getByRole('button', { name: /^Choose: / }).first().click();
    await all(page);
  },
  gouge: async (page) => {
    await sheet(page, 'Metal paste', 'Polyester or vinylester filler with paste peroxide', [['Density of A', '2.05'], ['Density of B', '1.18'], ['Least hardener', '1.5 %'], ['Usual hardener', '2.2 %'], ['Most hardener', '3 %'], ['Per cent of what', 'A'], ['of A', '100 g'], ['of B', '3 g']],
      [['Use-by of the pot', '5 to 6 min at 20 C'], ['Grind or sand', '20 to 30 min at 20 C']]);
    await job(page, '11 °C', '60 %', 'metal', /Gouge filled/);
    await inspected(page, 'metal-filler');
    await stage(page, 'Measure');
    await measuredAs(page, /Hollow or patch/, ['110 mm', '8 mm', '2.4 mm']);
    await stage(page, 'Material'); await page.getByRole('button', { name: /^Choose: / }).first().click();
    await type(page, 'Temperature (empty: as the air)', '18 °C');
    await all(page);
  },
  felt: async (page) => {
    await sheet(page, 'Laminating resin', 'Resin and hardener, liquid', [['A to B, with its basis', '100:38 by weight'], ['of A', '507 g'], ['of B', '193 g'], ['May be split', 'yes'], ['Left in the pot and on tools', '36 mL']],
      [['Use-by of the pot', '15 C: 38 min\n25 C: 16 min'], ['Open time', '15 C: 60 min\n25 C: 26 min'], ['Grind or sand', '10 C: 24 h\n20 C: 10 h']]);
    await job(page, '19 °C', '60 %', 'laminate', /Felt, pad or fabric/);
    await inspected(page, 'felt-wet-out');
    await stage(page, 'Measure');
    await page.locator('section[aria-label="Sheet"] section button').filter({ hasText: /Fabric or felt/ }).first().click();
    await page.waitForTimeout(400);
    await type(page, 'Length', '900 mm'); await type(page, 'Width', '300 mm'); await type(page, 'Like voids', '2');
    await out(page, 'Measure');
    await stage(page, 'Material'); await page.getByRole('button', { name: /^Choose: / }).first().click();
    await all(page);
  },
  sockets: async (page) => {
    await sheet(page, 'Yard putty', 'Two-part putty, kneaded by hand', [['A to B, with its basis', '1:1 by weight'], ['Density of A', '1.9'], ['Density of B', '1.9'], ['of A', '1 kg'], ['of B', '1 kg']],
      [['Use-by of the pot', '10 C: 38 min\n20 C: 22 min'], ['Gel', '10 C: 80 min\n20 C: 45 min', 'mixing begins', 'the pot'], ['Full load', '10 C: 24 h\n20 C: 10 h']]);
    await job(page, '12 °C', '60 %', 'metal', /Cavities packed/);
    await inspected(page, 'cavity-packing');
    await stage(page, 'Measure');
    await page.locator('section[aria-label="Sheet"] section button').filter({ hasText: /Cavities/ }).first().click();
    await type(page, 'Cavities 1: length, ⌀', '54 mm'); await page.getByLabel('Cavities 1: form').selectOption({ label: 'round' }); await type(page, 'Cavities 1: depth', '70 mm'); await type(page, 'Cavities 1: read again', '78 mm');
    await type(page, 'Like voids', '7');
    await out(page, 'Measure');
    await stage(page, 'Material'); await page.getByRole('button', { name: /^Choose: / }).first().click();
    await all(page);
  },
  timber: async (page) => {
    await sheet(page, 'Timber soak', 'Penetrating consolidant', [['A to B, with its basis', '2:1 by volume'], ['of A', '1 L'], ['of B', '0.5 L'], ['May be split', 'yes']],
      [['Use-by of the pot', '10 C: 90 min\n20 C: 40 min'], ['Recoat from', '10 C: 60 min\n20 C: 30 min'], ['Full load', '10 C: 24 h\n20 C: 10 h']]);
    await job(page, '11 °C', '60 %', 'timber', /Soft timber/);
    await inspected(page, 'timber-soak');
    await stage(page, 'Measure');
    await page.locator('section[aria-label="Sheet"] section button').first().click();
    await page.waitForTimeout(400);
    await type(page, 'Length', '300 mm'); await type(page, 'Width', '300 mm');
    await out(page, 'Measure');
    await stage(page, 'Material'); await page.getByRole('button', { name: /^Choose: / }).first().click();
    await all(page);
  },
  plate: async (page) => {
    await sheet(page, 'Stiff paste', 'Paste adhesive, mixed by hand', [['A to B, with its basis', '100:45 by weight'], ['of A', '500 g'], ['of B', '225 g'], ['May be split', 'yes']],
      [['Use-by of the pot', '10 C: 60 min\n20 C: 30 min'], ['Release of clamps', '5 C: 24 h\n15 C: 10 h'], ['Full load', '5 C: 48 h\n15 C: 20 h']]);
    await job(page, '12 °C', '60 %', 'metal', /Small part bonded/);
    await inspected(page, 'small-part');
    await stage(page, 'Measure');
    await measuredAs(page, /Face to bond/, ['60 mm', '24 mm', '0.25 mm']);
    await stage(page, 'Material'); await page.getByRole('button', { name: /^Choose: / }).first().click();
    await all(page);
  },
  kerb: async (page) => {
    await sheet(page, 'Rapid mortar', 'Cement powder and water', [['Least water', '12 %'], ['Usual water', '13 %'], ['Most water', '14 %'], ['Per cent of what', 'A'], ['of A', '25 kg'], ['May be split', 'yes']],
      [['Use-by of the pot', '10 C: 45 min\n20 C: 25 min'], ['Keep from frost until', '5 C: 40 h\n10 C: 24 h\n20 C: 12 h'], ['Foot traffic', '5 C: 10 h\n20 C: 4 h']]);
    await job(page, '14 °C', '60 %', 'concrete', /Cement-based patch/);
    await inspected(page, 'cement-patch');
    await stage(page, 'Measure');
    await measuredAs(page, /Hollow or patch/, ['480 mm', '350 mm', '42 mm']);
    await stage(page, 'Material'); await page.getByRole('button', { name: /^Choose: / }).first().click();
    await all(page);
  },
  tiles: async (page) => {
    await sheet(page, 'Flexible bed', 'Tile setting adhesive', [['of A', '20 kg'], ['May be split', 'yes'], ['Least water', '24 %'], ['Usual water', '25 %'], ['Most water', '26 %'], ['Per cent of what', 'A']].filter((x) => true) as [string, string][],
      [['Use-by of the pot', '10 C: 4 h\n20 C: 2 h'], ['Open time', '10 C: 32 min\n20 C: 18 min'], ['Fill joints or lay over', '10 C: 36 h\n20 C: 20 h'], ['Foot traffic', '10 C: 36 h\n20 C: 20 h']]);
    await job(page, '15 °C', '60 %', 'concrete', /Tiles or slabs in a combed bed/);
    await inspected(page, 'setting-bed');
    await stage(page, 'Measure');
    await page.locator('section[aria-label="Sheet"] section button').first().click();
    await page.waitForTimeout(400);
    await type(page, 'Length', '4 m'); await type(page, 'Width', '3 m');
    await out(page, 'Measure');
    await stage(page, 'Material'); await page.getByRole('button', { name: /^Choose: / }).first().click();
    await all(page);
  },
};
async function main() {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: FLAGS });
  for (const name of process.argv.slice(2)) {
    const c = await fresh(browser);
    const page = await c.newPage();
    c.setDefaultTimeout(9000);
    await page.clock.install({ time: new Date('2027-04-14T05:00:00Z') });
    try {
      await jobs[name]!(page);
    } catch (e) {
      console.log('FAILED', String(e).slice(0, 400));
      await out(page, 'where');
    }
    await c.close();
  }
  await browser.close();
}
void main();
