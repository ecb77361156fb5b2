import { type ReactNode, useEffect, useState } from 'react';
import { createPortal } from 'react-dom';

/** Puts a station's main actions beside the batch's name. */
export function StationActions({ children }: { children: ReactNode }) {
  const [slot, setSlot] = useState<HTMLElement | null>(null);
  useEffect(() => setSlot(document.getElementById('station-actions')), []);
  return slot && createPortal(children, slot);
}
