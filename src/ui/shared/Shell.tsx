'use client';
import dynamic from 'next/dynamic';
import { usePathname } from 'next/navigation';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { type Language, spokenLanguage, takeLanguage } from '@/words';
import { usePrefs } from '../workspace/prefs';
import { openWorkspace, useWorkspace } from '../workspace/workspace';
import { Banner } from './Banner';
import { FileDrop } from './FileDrop';
import { Mishap } from './Mishap';
import { OrderQuestion } from './OrderQuestion';
import { routeOf } from './route';
import { Saving } from './Saving';
import { Textures } from './Textures';

const Guide = dynamic(() => import('../guide/Guide').then((m) => m.Guide), { ssr: false });
const Keys = dynamic(() => import('./Keys').then((m) => m.Keys), { ssr: false });

/** The language the page speaks: the wanted one once its catalogue is here. Nothing of the record is drawn before. */
function useSpoken(): Language | null {
  const wanted = usePrefs((p) => p.language);
  const [spoken, setSpoken] = useState<Language>(spokenLanguage);
  useEffect(() => {
    void takeLanguage(wanted).then(() => setSpoken(wanted));
    document.documentElement.lang = wanted;
  }, [wanted]);
  return spoken === wanted ? spoken : null;
}

/**
 * What surrounds every view: textures, theme, the workspace opened, banners for what concerns all of it, and the
 * keyboard.
 */
export function Shell({ children }: { children: ReactNode }) {
  const theme = usePrefs((p) => p.theme);
  const system = usePrefs((p) => p.system);
  const spoken = useSpoken();
  const ready = useWorkspace((d) => d.ready) && spoken !== null;
  const guided = usePrefs((p) => p.guide !== null);
  const path = usePathname();
  useEffect(openWorkspace, []);
  // Whoever came by a press that is gone with its page stands at the beginning of the new one, not nowhere.
  const came = useRef(path);
  useEffect(() => {
    if (came.current === path) return;
    came.current = path;
    const frame = requestAnimationFrame(() => {
      const main = document.getElementById('main');
      if (!main || (document.activeElement && document.activeElement !== document.body)) return;
      main.tabIndex = -1;
      main.focus({ preventScroll: true });
    });
    return () => cancelAnimationFrame(frame);
  }, [path]);
  useEffect(() => {
    document.documentElement.dataset.theme = theme;
  }, [theme]);
  // Cards and tags are printed on the paper of those units.
  useEffect(() => {
    document.documentElement.dataset.paper = system === 'us' ? 'letter' : 'a4';
  }, [system]);
  return (
    // Another language is another page: nothing of it keeps a word of the last.
    <FileDrop key={spoken}>
      <a href="#main" className="btn btn-neutral absolute -left-[999px] focus:left-2 focus:top-2 z-50">
        Skip to the work
      </a>
      <Textures />
      <Mishap what="The line across the top">
        <Banner />
      </Mishap>
      {ready ? (
        <Mishap what="This view" jobId={routeOf(path).jobId} on={[path]}>
          {children}
        </Mishap>
      ) : (
        <p className="p-8 soft">Opening the record…</p>
      )}
      <Saving />
      <OrderQuestion />
      <Keys />
      {guided && <Guide />}
    </FileDrop>
  );
}
