'use client';
import dynamic from 'next/dynamic';
import { type ReactNode, useEffect } from 'react';
import { openDesk, useDesk } from '../desk/desk';
import { usePrefs } from '../desk/prefs';
import { Banner } from './Banner';
import { Textures } from './Textures';

const Keys = dynamic(() => import('./Keys').then((m) => m.Keys), { ssr: false });

/** What surrounds every view: textures, theme, the desk opened, banners for what concerns all of it, and the keyboard. */
export function Shell({ children }: { children: ReactNode }) {
  const theme = usePrefs((p) => p.theme);
  const ready = useDesk((d) => d.ready);
  useEffect(openDesk, []);
  useEffect(() => {
    document.documentElement.dataset.theme = theme;
  }, [theme]);
  return (
    <>
      <a href="#main" className="act firm absolute -left-[999px] focus:left-2 focus:top-2 z-50">
        Skip to the work
      </a>
      <Textures />
      <Banner />
      {ready ? children : <p className="p-8 soft">Opening the record…</p>}
      <Keys />
    </>
  );
}
