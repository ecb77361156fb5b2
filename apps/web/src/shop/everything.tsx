import { useQueryClient } from '@tanstack/react-query';
import { Download, Upload } from 'lucide-react';
import { useRef, useState } from 'react';
import { client } from '../api/client';
import { messageOf } from '../ui/message-of';
import { useNotice } from '../ui/notice';

/** The whole shop as one file, and such a file into an empty shop. */
export function Everything() {
  const input = useRef<HTMLInputElement>(null);
  const queries = useQueryClient();
  const say = useNotice();
  const [busy, setBusy] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const read = async (file: File) => {
    setBusy(true);
    setRefused(null);
    try {
      const { rows, photos } = await client.readArchive(file);
      await queries.invalidateQueries();
      say(`${file.name}: ${rows} rows and ${photos} photos are in the shop.`);
    } catch (error) {
      setRefused(messageOf(error));
    }
    setBusy(false);
  };
  return (
    <section aria-label="Everything out and in" className="mt-6">
      <h2 className="text-xl">Everything out and in</h2>
      <p className="max-w-3xl text-soft">
        The whole shop in one ZIP: boards, boxes and visits as CSV, photos as pictures, and all the
        rest as JSON, to be read without any program. It goes back into an empty shop alone, which{' '}
        <code className="mono">bin/start --empty</code> begins: nothing is ever mixed.
      </p>
      <p className="mt-2 flex flex-wrap gap-2">
        <a className="btn" href="/api/archive" download="spare-knot-shop.zip">
          <Download size={16} aria-hidden /> Everything out
        </a>
        <button
          type="button"
          className="btn"
          disabled={busy}
          onClick={() => input.current?.click()}
        >
          <Upload size={16} aria-hidden /> {busy ? 'Reading it…' : 'Everything in'}
        </button>
        <input
          ref={input}
          type="file"
          accept=".zip,application/zip"
          aria-label="Archive of a shop"
          className="sr-only"
          tabIndex={-1}
          onChange={(event) => {
            const file = event.target.files?.[0];
            event.target.value = '';
            if (file) void read(file);
          }}
        />
      </p>
      {refused && (
        <p role="alert" className="mt-2 text-danger">
          Nothing was read in. {refused}
        </p>
      )}
    </section>
  );
}
