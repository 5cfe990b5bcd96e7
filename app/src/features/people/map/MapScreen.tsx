import type { OwnPlaceFields, PeopleMap } from '@dossier/contract';
import { roundOf } from '@dossier/core/people/map';
import { Link } from 'expo-router';
import { useMemo, useState } from 'react';
import { ScrollView, View as Box } from 'react-native';
import { problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { useWide } from '@/lib/useWide';
import { Button, CannotShow, EmptyState, Heading, LoadingLines, Notice, Soft, Text } from '@/ui';
import { useListPlace } from '../list/useListPlace';
import { usePeopleMapQuery, useSayWhereMutation } from './api';
import { MapDrawing, type MapPlace } from './MapDrawing';
import { NearPanel, useNear } from './NearPanel';
import { RoundPanel, type Stop } from './RoundPanel';
import { UnplacedPanel } from './UnplacedPanel';
import type { From } from './useMapFrom';
import { viewAround, viewOf, type Size, type View } from './view';

/** More than that nobody visits in a day. */
const MOST_STOPS = 20;

/** The people of a list where they are. */
export function MapScreen() {
  const { address, listAt } = useListPlace();
  const { data, error, refetch } = usePeopleMapQuery(address);
  return (
    <Box role="main" className="min-h-0 flex-1 bg-paper">
      <Box className="flex-row flex-wrap items-center gap-x-4 border-b border-rule px-4 py-2">
        <Link href={listAt}>
          <Text className="underline underline-offset-4">People</Text>
        </Link>
        <Heading className="text-[22px] leading-[30px]">Map</Heading>
        <Soft className="tabular">{data ? shownWords(data) : ''}</Soft>
      </Box>
      {error && !data ? <CannotShow title="The map cannot be shown" error={error} onRetry={refetch} /> : null}
      {!data && !error ? <LoadingLines lines={4} /> : null}
      {data?.total === 0 ? (
        <EmptyState title="Nobody to show">Whoever is in the list and has a town or a postal code is shown here.</EmptyState>
      ) : data ? (
        <Shown key={address} map={data} />
      ) : null}
    </Box>
  ); // prettier-ignore
}

function shownWords({ places, total }: PeopleMap): string {
  const shown = places.reduce((sum, { people }) => sum + people.length, 0);
  return `${shown.toLocaleString('en')} of ${counted(total, 'person', 'people')}, at ${counted(places.length, 'place')}`;
}

function Shown({ map }: { map: PeopleMap }) {
  const wide = useWide();
  const { personAt } = useListPlace();
  const [size, setSize] = useState<Size>();
  const [asked, setAsked] = useState<View>();
  const [from, setFrom] = useState<From>();
  const [touched, setTouched] = useState<readonly number[]>();
  const [stops, setStops] = useState<readonly Stop[]>([]);
  const [back, setBack] = useState(false);
  const [placing, setPlacing] = useState<Pick<OwnPlaceFields, 'country' | 'town' | 'postalCode'>>();
  const [say, saying] = useSayWhereMutation();
  const places = useMemo(() => map.places.map(({ people, ...place }): MapPlace => ({ ...place, people: people.length })), [map]); // prettier-ignore
  const view = asked ?? (size && viewOf(places, size));
  const near = useNear(map.places, from, touched);
  const round = useMemo(() => roundOf(stops, { from, back }), [back, from, stops]);
  const ordered = round.order.map((i) => stops[i]!);
  const goTo = (next: From | undefined) => {
    setFrom(next);
    setTouched(undefined);
    if (next && view && size) setAsked(viewAround(view, next, size));
  };
  const way = [...(from && ordered.length > 0 ? [from] : []), ...ordered];
  return (
    <Box className={`min-h-0 flex-1 ${wide ? 'flex-row' : ''}`}>
      <Box
        className={`bg-table ${wide ? 'min-w-0 flex-1' : 'h-[44%] min-h-[220px]'}`}
        onLayout={({ nativeEvent: { layout } }) => layout.width > 0 && setSize({ width: layout.width, height: layout.height })} // prettier-ignore
      >
        {size && view ? (
          <MapDrawing
            places={places}
            view={view}
            size={size}
            onView={setAsked}
            chosen={touched ?? []}
            round={ordered}
            way={back && way.length > 2 ? [...way, way[0]!] : way}
            from={from}
            onPlaces={setTouched}
            onPoint={
              placing &&
              ((at) => {
                void say({ ...placing, ...at });
                setPlacing(undefined);
              })
            }
          />
        ) : null}
      </Box>
      <ScrollView
        className={wide ? 'w-[400px] flex-grow-0 border-l border-rule' : 'min-h-0 flex-1 border-t border-rule'}
        contentContainerStyle={{ padding: 16, gap: 16, paddingBottom: 64 }}
      >
        {placing ? (
          <Notice action={<Button onPress={() => setPlacing(undefined)}>Leave it</Button>}>
            {`Touch the map where ${placing.town || placing.postalCode} is.`}
          </Notice>
        ) : null}
        {saying.error ? <Notice fault>{problemText(saying.error)}</Notice> : null}
        <NearPanel
          near={near}
          from={from}
          onFrom={goTo}
          touched={touched !== undefined}
          onAll={() => setTouched(undefined)}
          personAt={personAt}
          isStop={(id) => stops.some(({ personId }) => personId === id)}
          mayAdd={stops.length < MOST_STOPS}
          onStop={({ personId, name, company, place, label }) => {
            const { lat, lon } = map.places[place]!;
            const rest = stops.filter((stop) => stop.personId !== personId);
            setStops(rest.length < stops.length ? rest : [...stops, { personId, name: name || company, label, lat, lon }]); // prettier-ignore
          }}
        />
        <RoundPanel
          stops={ordered}
          total={round.kilometres}
          from={from}
          back={back}
          onBack={setBack}
          onRemove={(id) => setStops(stops.filter(({ personId }) => personId !== id))}
          onClear={() => setStops([])}
          onShow={() => size && setAsked(viewOf(way, size))}
        />
        <UnplacedPanel map={map} onPlace={setPlacing} />
      </ScrollView>
    </Box>
  );
}
