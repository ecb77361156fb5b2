import 'leaflet/dist/leaflet.css';
import type { BoxRecord } from '@spare-knot/core/api';
import { MARKS } from '@spare-knot/core/exchange';
import type { TrailMark } from '@spare-knot/core/trail';
import L from 'leaflet';
import { useMemo } from 'react';
import {
  CircleMarker,
  ImageOverlay,
  MapContainer,
  ScaleControl,
  useMapEvents,
} from 'react-leaflet';
import { ListTable } from '../lists/list-table';
import { BoxMarks, Legend, marksOf } from './box-marks';
import { isPlaced, type Placed, placesOf, type Spot } from './ground';
import { Marks, NearPairs, TooNearWords } from './near-lines';
import { KnownSpots, SketchBar } from './sketch-bar';
import { useDue } from './use-due';
import { useGround, useMarks } from './use-ground';

/** More boxes than that are dots without their numbers. */
const MOST_NAMED = 400;

/** Room round the outermost boxes, in metres. */
const MARGIN = 30;

function boundsOf(places: readonly Spot[]): L.LatLngBounds {
  const bounds = L.latLngBounds([...places]).pad(0.08);
  return L.latLngBounds(
    [bounds.getSouth() - MARGIN, bounds.getWest() - MARGIN],
    [bounds.getNorth() + MARGIN, bounds.getEast() + MARGIN],
  );
}

function Taps({ onTap }: { onTap: (spot: Spot) => void }) {
  useMapEvents({ click: ({ latlng: { lat, lng } }) => onTap([lat, lng]) });
  return null;
}

/** A box whose place is not told is put where the picture is tapped. */
function PlaceByTap({
  boxes,
  chosen,
  onChoose,
}: {
  boxes: readonly BoxRecord[];
  chosen: string;
  onChoose: (id: string) => void;
}) {
  const open = boxes.filter(({ at, takenDownOn }) => at === null && takenDownOn === null);
  if (open.length === 0) return null;
  return (
    <label className="mt-2 flex flex-wrap items-center gap-2">
      Put box
      <select
        className="field min-h-11"
        value={chosen}
        onChange={(event) => onChoose(event.target.value)}
      >
        <option value="">which?</option>
        {open.map(({ id, number, place }) => (
          <option key={id} value={id}>
            {number}
            {place && `, ${place}`}
          </option>
        ))}
      </select>
      {chosen === '' ? 'where it hangs, by a tap' : 'where you tap now'}
    </label>
  );
}

function Ground({ boxes, placed }: { boxes: readonly BoxRecord[]; placed: readonly Placed[] }) {
  const { day, due } = useDue(boxes);
  const told = useMarks();
  const on = useGround(boxes, placed, told);
  const { sketch, ground, tapped, setTapped } = on;
  const isBare = sketch !== undefined && ground.placeOf === null;
  const marks = isBare ? NO_MARKS : told;
  const drawn = isBare ? NO_BOXES : placed;
  const places = useMemo(() => placesOf(drawn, ground), [drawn, ground]);
  const shown = useMemo(() => marksOf(drawn, places, { day, due }), [drawn, places, day, due]);
  const isNamed = drawn.length <= MOST_NAMED;
  const bounds = ground.picture
    ? L.latLngBounds(ground.picture.bounds)
    : boundsOf([...places.values(), ...marks.map(({ at }) => ground.spotOf(at))]);
  return (
    <>
      <SketchBar
        sketch={sketch}
        onChoose={(id) => {
          setTapped(null);
          on.choose(id);
        }}
      />
      {sketch && (
        <KnownSpots
          sketch={sketch}
          isFitted={!isBare}
          tapped={tapped}
          placed={placed}
          onTapped={setTapped}
        />
      )}
      {ground.placeOf && <PlaceByTap boxes={boxes} chosen={on.toPlace} onChoose={on.setToPlace} />}
      {(ground.picture || placed.length > 0) && (
        <MapContainer
          key={`${sketch?.id} ${isBare}`}
          crs={L.CRS.Simple}
          bounds={bounds}
          minZoom={-8}
          maxZoom={5}
          zoomSnap={0.25}
          preferCanvas={!isNamed}
          attributionControl={false}
          className="z-0 mt-2 h-[min(65vh,620px)] rounded-lg border border-line !bg-[#e9e2d1]"
        >
          {ground.picture && (
            <ImageOverlay url={ground.picture.url} bounds={ground.picture.bounds} />
          )}
          {!isBare && <ScaleControl position="bottomleft" />}
          <Taps onTap={on.tap} />
          {isBare &&
            [...sketch.spots.map(({ x, y }): Spot => [-y, x]), ...(tapped ? [tapped] : [])].map(
              (spot) => (
                <CircleMarker
                  key={spot.join()}
                  center={spot}
                  radius={9}
                  pathOptions={{ color: '#1d5a96', weight: 4, fillOpacity: 0.3 }}
                />
              ),
            )}
          <NearPairs placed={drawn} places={places} />
          <Marks marks={marks} placed={drawn} places={places} ground={ground} />
          <BoxMarks marks={shown} isNamed={isNamed} />
        </MapContainer>
      )}
      {(ground.picture || placed.length > 0) && <Legend />}
      <TooNearWords placed={drawn} marks={marks} />
    </>
  );
}

const NO_MARKS: readonly TrailMark[] = [];
const NO_BOXES: readonly Placed[] = [];

/** The boxes as they lie to each other, on plain ground or on a picture of the maker’s own; no map service is asked. */
export function PlanMap({ boxes }: { boxes: readonly BoxRecord[] }) {
  const placed = useMemo(() => boxes.filter(isPlaced), [boxes]);
  return (
    <section aria-label="Plan of the boxes" className="mt-3">
      {placed.length === 0 ? (
        <p className="card mt-1 p-5">
          Of no box is it told where it hangs. Say latitude and longitude at its page, or stand
          below it with a phone and press “Here, where I stand”; read them from a GeoJSON or GPX
          file; or take a picture or a sketch of the place, say of two of its spots where they lie,
          and tap the boxes in.
        </p>
      ) : (
        <p className="text-soft">
          {placed.length} of {boxes.length} boxes have a place. A box opens at a tap, or with Enter.
        </p>
      )}
      <Ground boxes={boxes} placed={placed} />
      <ListTable list={MARKS} />
    </section>
  );
}
