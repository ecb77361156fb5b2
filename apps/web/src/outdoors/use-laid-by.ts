import { useEffect } from 'react';
import { client } from '../api/client';

/** After the batch itself is there, in milliseconds. */
const LATER = 1000;

/** What the stations of a batch read, asked for while the server is near: one that was not opened yet opens where it cannot be reached. */
export function useLaidBy(id: string, isTaken: boolean): void {
  useEffect(() => {
    if (!navigator.serviceWorker?.controller) return;
    const later = setTimeout(() => {
      const reads = [
        client.rack,
        client.yard,
        client.shop,
        client.supplies,
        client.bin,
        client.pace,
        () => client.work(id),
        ...(isTaken ? [() => client.sawing(id), () => client.sawingProgress(id)] : []),
      ];
      // What does not answer now is asked for when its station is opened.
      void Promise.allSettled(reads.map((read) => read()));
    }, LATER);
    return () => clearTimeout(later);
  }, [id, isTaken]);
}
