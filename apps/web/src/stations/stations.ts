import type { ComponentType } from 'react';

/** How far a batch has come. */
export interface Progress {
  sound: boolean;
  laidOut: boolean;
  taken: boolean;
  /** Whether every cut is made. */
  sawn: boolean;
}

export interface Station {
  path: string;
  label: string;
  /** Loaded when it is wanted. */
  load: () => Promise<ComponentType>;
  done: (progress: Progress) => boolean;
}

/** The way of a batch, in the order of the work. A new station is one line here and a folder beside. */
export const STATIONS: readonly Station[] = [
  {
    path: 'box',
    label: 'Box',
    load: async () => (await import('./box/box-station')).BoxStation,
    done: ({ sound }) => sound,
  },
  {
    path: 'wood',
    label: 'Wood',
    load: async () => (await import('./wood/wood-station')).WoodStation,
    done: ({ sound, laidOut, taken }) => sound && (laidOut || taken),
  },
  {
    path: 'layout',
    label: 'Layout',
    load: async () => (await import('./layout/layout-station')).LayoutStation,
    done: ({ taken }) => taken,
  },
  {
    path: 'saw',
    label: 'Saw',
    load: async () => (await import('./saw/saw-station')).SawStation,
    done: ({ sawn }) => sawn,
  },
  {
    path: 'build',
    label: 'Build',
    load: async () => (await import('./build/build-station')).BuildStation,
    done: () => false,
  },
  {
    path: 'sheets',
    label: 'Sheets',
    load: async () => (await import('./sheets/sheets-station')).SheetsStation,
    done: () => false,
  },
];
