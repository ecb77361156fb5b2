import { Upload } from 'lucide-react';
import { useRef } from 'react';

/** A button that opens a file; the same file can be opened again. */
export function FileButton({
  label,
  of,
  accept,
  onText,
}: {
  label: string;
  /** What such a file is, for those who do not see the button: `CSV file of boards`. */
  of: string;
  accept: string;
  onText: (text: string, name: string) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <button type="button" className="btn" onClick={() => input.current?.click()}>
        <Upload size={16} aria-hidden /> {label}
      </button>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={of}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) void file.text().then((text) => onText(text, file.name));
        }}
      />
    </>
  );
}
