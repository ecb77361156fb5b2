import { NavLink, Outlet, ScrollRestoration } from 'react-router';
import { RememberedUnits } from '../measure/units';
import { OutOfReach } from '../outdoors/out-of-reach';
import { PLACES } from '../places/places';
import { StoreWord } from '../store/store-word';

const place = ({ isActive }: { isActive: boolean }) =>
  `flex h-full items-center border-b-4 max-sm:min-h-9 px-1 pt-1 font-semibold max-sm:px-0.5 ${isActive ? 'border-tape text-white' : 'border-transparent text-[#dfe6df] hover:text-white'}`;

/** The frame of every page: the name, the places, and what the page puts at the right. */
export function Shell() {
  return (
    <RememberedUnits>
      <a
        href="#main"
        className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-white focus:p-3"
      >
        Skip to the page
      </a>
      <header className="flex min-h-12 flex-wrap items-center gap-x-7 bg-forest px-6 text-white max-sm:gap-x-4 max-sm:px-3 max-sm:pb-1.5 print:hidden">
        <NavLink to="/" className="whitespace-nowrap font-slab text-xl font-bold max-sm:text-lg">
          Spare Knot
        </NavLink>
        <nav
          aria-label="Places"
          className="flex h-12 gap-6 max-sm:h-auto max-sm:min-h-9 max-sm:flex-wrap max-sm:gap-x-2 max-sm:gap-y-0 max-sm:text-[0.85rem]"
        >
          {PLACES.map(({ path, label }) => (
            <NavLink key={path} to={path} end={path === '/'} className={place}>
              {label}
            </NavLink>
          ))}
        </nav>
        <div id="header-end" className="ml-auto flex items-center gap-4" />
      </header>
      <div id="main" tabIndex={-1} className="outline-none">
        <StoreWord />
        <OutOfReach />
        <Outlet />
      </div>
      <ScrollRestoration />
    </RememberedUnits>
  );
}
