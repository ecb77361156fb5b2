import { NavLink } from 'react-router';
import { type Progress, STATIONS } from '../stations/stations';

/** The way of a batch, in the order of the work, as a tape: where it is stands dark, what is done is ticked. */
export function StationTape({ progress }: { progress: Progress }) {
  return (
    <nav
      aria-label="Stations of the batch"
      className="relative mt-2 min-h-9 overflow-hidden rounded border border-[#b8973f] bg-tape"
    >
      <svg aria-hidden className="absolute inset-0 h-full w-full" preserveAspectRatio="none">
        <defs>
          <pattern id="tape-inch" width="64" height="36" patternUnits="userSpaceOnUse">
            <path
              d="M.5 0V12M32.5 0V8M16.5 0V5.5M48.5 0V5.5M8.5 0V4M24.5 0V4M40.5 0V4M56.5 0V4"
              stroke="#846a1f"
              strokeWidth="1"
            />
          </pattern>
        </defs>
        <rect width="100%" height="100%" fill="url(#tape-inch)" />
      </svg>
      <ol className="relative flex min-h-9 flex-wrap justify-between px-12 max-md:px-0">
        {STATIONS.map((station) => (
          <li key={station.path} className="min-h-9">
            <NavLink
              to={station.path}
              className={({ isActive }) =>
                `flex h-full min-h-9 min-w-32 items-end justify-center px-5 max-md:min-w-0 max-md:px-3 max-sm:px-1.5 max-sm:text-base pb-0.5 font-slab text-[1.06rem] font-bold ${isActive ? 'bg-forest text-white' : 'text-[#2f2606] hover:bg-[#e4c35a]'}`
              }
            >
              {station.label}
              {station.done(progress) && (
                <span className="ml-1.5">
                  <span aria-hidden>✓</span>
                  <span className="sr-only">, done</span>
                </span>
              )}
            </NavLink>
          </li>
        ))}
      </ol>
    </nav>
  );
}
