'use client';
import { useEffect, useState } from 'react';
import { decimals, LANGUAGE_ROWS, LANGUAGES, phrase } from '@/words';
import { speak } from '../run/alarm';
import { Choice, Heading, OnOff, TextField, Ways } from '../shared/bits';
import { Link } from '../shared/Link';
import { setPrefs, THEME_ROWS, usePrefs } from '../workspace/prefs';
import { WEEK_STARTS, weekStartName } from '../workspace/week';
import { useWorkspace } from '../workspace/workspace';
import { Aside } from './Aside';
import { Backup } from './Backup';
import { MoneyPick } from './MoneyPick';

interface Keeping {
  readonly persisted: boolean | null;
  readonly usedMb: number | null;
  readonly freeMb: number | null;
}

/** Room on a disk as people say it. @example sizeOf(10_737) // '10.7 GB' */
const sizeOf = (mb: number): string => (mb < 1000 ? `${decimals(mb, 1)} MB` : `${decimals(mb / 1000, 1)} GB`);

/** Asks once whether clocks may be told beside the page. */
const mayNotify = async (): Promise<boolean> =>
  typeof Notification !== 'undefined' && (await Notification.requestPermission()) === 'granted';
const NO_VOICE = 'This device has no voice: the clock sounds and shakes all the same.';
const NOT_ALLOWED =
  'The browser does not allow it for this page: allow it in the browser’s own settings, or keep the page open.';

/** Units, theme, role; how safely this browser keeps the record; records set aside. */
export function SettingsPage() {
  const prefs = usePrefs();
  const lasting = useWorkspace((d) => d.lasting);
  const [keeping, setKeeping] = useState<Keeping>({ persisted: null, usedMb: null, freeMb: null });
  const [refused, setRefused] = useState<string | null>(null);
  const look = async () => {
    const persisted = (await navigator.storage?.persisted?.()) ?? null;
    const estimate = await navigator.storage?.estimate?.();
    setKeeping({
      persisted,
      usedMb: estimate?.usage === undefined ? null : estimate.usage / 1e6,
      freeMb: estimate?.quota === undefined ? null : (estimate.quota - (estimate.usage ?? 0)) / 1e6,
    });
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: looked at once, when the view opens
  useEffect(() => void look(), []);
  return (
    <div className="px-4 md:px-6 py-4 max-w-[84rem]">
      <header className="flex items-baseline gap-6 flex-wrap">
        <h1 className="text-2xl font-bold">Settings</h1>
        <span className="flex-1" />
        <Ways />
      </header>
      <main id="main" className="grid gap-x-12 lg:grid-cols-2 items-start">
        <section className="min-w-0">
          <Heading>How you like it</Heading>
          <div className="flex flex-wrap gap-6">
            <Choice
              label="Language"
              options={LANGUAGES.map((id) => ({ id, label: LANGUAGE_ROWS[id].name }))}
              value={prefs.language}
              onChange={(language) => setPrefs({ language })}
            />
            <Choice
              label="Units"
              options={[
                { id: 'metric', label: 'metric' },
                { id: 'us', label: 'US customary' },
              ]}
              value={prefs.system}
              onChange={(system) => setPrefs({ system })}
            />
            <Choice
              label="Clock"
              options={[
                { id: '24', label: '16:30' },
                { id: '12', label: '4:30 pm' },
              ]}
              value={`${prefs.hours}`}
              onChange={(hours) => setPrefs({ hours: hours === '12' ? 12 : 24 })}
            />
            <Choice
              label="Weeks begin on"
              options={WEEK_STARTS.map((id) => ({ id, label: weekStartName(id) }))}
              value={prefs.weekStart}
              onChange={(weekStart) => setPrefs({ weekStart })}
            />
            <Choice label="Light" options={THEME_ROWS} value={prefs.theme} onChange={(theme) => setPrefs({ theme })} />
            <OnOff label="Sound when a clock runs out" on={prefs.sound} onChange={(sound) => setPrefs({ sound })} />
            <OnOff
              label="Said aloud as well"
              on={prefs.speak}
              onChange={(on) => {
                const can = on && speak('Two minutes left.');
                setPrefs({ speak: can });
                setRefused(on && !can ? NO_VOICE : null);
              }}
            />
            <OnOff
              label="Told beside the page while it is hidden"
              on={prefs.notify}
              onChange={async (on) => {
                const can = on && (await mayNotify());
                setPrefs({ notify: can });
                setRefused(on && !can ? NOT_ALLOWED : null);
              }}
            />
          </div>
          {refused && (
            <p role="status" className="mt-2 font-semibold">
              {refused}
            </p>
          )}
          <div className="max-w-xs mt-2 space-y-2">
            <MoneyPick />
            <TextField
              label="The role you work in"
              value={prefs.role}
              onChange={(role) => setPrefs({ role: role.trim() || 'technician' })}
            />
          </div>
        </section>
        <section className="min-w-0">
          <Heading>How safely it is kept</Heading>
          <ul className="list-disc pl-5">
            <li>
              {lasting
                ? 'Everything is kept in this browser’s own database, on this device only.'
                : 'This browser refuses its database: everything is gone when the tab closes.'}
            </li>
            <li>
              {keeping.persisted === null
                ? 'Whether the browser may clear it to make room is not known.'
                : keeping.persisted
                  ? 'The browser has promised not to clear it.'
                  : 'The browser may clear it when the disk runs short.'}
            </li>
            {keeping.usedMb !== null && (
              <li>{phrase`${sizeOf(keeping.usedMb)} used, about ${sizeOf(keeping.freeMb ?? 0)} free for it.`}</li>
            )}
          </ul>
          {keeping.persisted === false && (
            <button
              type="button"
              className="btn mt-2"
              onClick={async () => {
                await navigator.storage.persist();
                await look();
              }}
            >
              Ask the browser to keep it
            </button>
          )}
          <Heading>One file of everything</Heading>
          <Backup />
          <Aside />
        </section>
        <section className="min-w-0 lg:col-span-2">
          <Heading>Cautions that always hold</Heading>
          <p>
            Grenko’s figures never replace the material’s own sheet, the local code, licensed practice or a competent
            person’s review.
          </p>
          <Link href="/" className="btn mt-3">
            Back to the yard
          </Link>
        </section>
      </main>
    </div>
  );
}
