import { useEffect, useState } from 'react';
import { lasting } from '../../store/steady-store';

const SHELF = 'spare-knot.read-aloud';

/** Whether each cut is read out, where the browser can: off until it is wanted. */
export function useReadAloud(): { canRead: boolean; isOn: boolean; setOn: (on: boolean) => void } {
  const canRead = typeof window.speechSynthesis !== 'undefined';
  const [isOn, set] = useState(() => canRead && lasting.getItem(SHELF) === 'on');
  const setOn = (on: boolean) => {
    lasting.setItem(SHELF, on ? 'on' : 'off');
    set(on);
    if (!on && canRead) window.speechSynthesis.cancel();
  };
  return { canRead, isOn, setOn };
}

/** Reads words out when they change, in place of what was being read. */
export function useSpoken(words: string, isOn: boolean): void {
  useEffect(() => {
    if (!isOn || words === '') return;
    const said = new SpeechSynthesisUtterance(words);
    said.lang = 'en-GB';
    said.rate = 0.95;
    window.speechSynthesis.cancel();
    window.speechSynthesis.speak(said);
  }, [words, isOn]);
}
