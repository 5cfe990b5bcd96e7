import type { MapTown, PeopleMap } from '@dossier/contract';
import { kilometres } from '@dossier/core/people/map';
import { skipToken } from '@reduxjs/toolkit/query';
import { Link, type Href } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { useSettled } from '@/lib/useSettled';
import { Button, Notice, Serif, Soft, Text, TextField } from '@/ui';
import { useTownsQuery } from './api';
import { useWhereIAm, type From } from './useMapFrom';
import { kilometreWords, townWords } from './words';

type Place = PeopleMap['places'][number];
export interface Near {
  personId: string;
  name: string;
  company: string;
  place: number;
  label: string;
  km: number | undefined;
}

const MOST_SHOWN = 60;
const PAUSE_MS = 250;

/** People by how near they are, or those of the places that were touched. */
export function useNear(places: readonly Place[], from: From | undefined, touched: readonly number[] | undefined): Near[] {
  return useMemo(() => {
    const wanted = touched ?? places.map((_, i) => i);
    const near = wanted.flatMap((i) => {
      const place = places[i]!;
      const km = from && kilometres(from, place);
      return place.people.map(({ id, name, company }) => ({ personId: id, name, company, place: i, label: place.label, km }));
    });
    return from ? near.sort((a, b) => a.km! - b.km!) : near;
  }, [from, places, touched]);
} // prettier-ignore

interface Props {
  near: readonly Near[];
  from: From | undefined;
  onFrom: (from: From | undefined) => void;
  touched: boolean;
  onAll: () => void;
  personAt: (id: string) => Href;
  isStop: (personId: string) => boolean;
  mayAdd: boolean;
  onStop: (near: Near) => void;
}

/** Who is near a town, or near this device; each can be a stop of a round. */
export function NearPanel({ near, from, onFrom, touched, onAll, personAt, isStop, mayAdd, onStop }: Props) {
  const here = useWhereIAm(onFrom);
  return (
    <View className="gap-3">
      <TownField onTown={(town) => onFrom({ ...town, label: `${town.name}, ${town.country}` })} />
      <View className="flex-row flex-wrap gap-3">
        <Button busy={here.isAsking} onPress={here.ask}>
          Near me
        </Button>
        {from ? (
          <Button look="bare" onPress={() => onFrom(undefined)}>
            Near no place
          </Button>
        ) : null}
        {touched ? (
          <Button look="bare" onPress={onAll}>
            All places
          </Button>
        ) : null}
      </View>
      {here.words ? <Soft role="status">{here.words}</Soft> : null}
      <Soft role="status">
        {near.length === 0
          ? 'Nobody of this list is on the map.'
          : from
            ? `Nearest to ${from.label}, as the crow flies:`
            : touched
              ? `At ${near[0]!.label}:`
              : 'Write a town, or touch a dot.'}
      </Soft>
      {from || touched ? (
        <View role="list" aria-label="People by how near they are">
          {near.slice(0, MOST_SHOWN).map((one) => (
            <View key={one.personId} role="listitem" className="flex-row items-center gap-3 border-b border-rule py-1">
              <View className="min-w-0 flex-1">
                <Link href={personAt(one.personId)}>
                  <Serif className="text-[18px] leading-[24px] underline decoration-rule underline-offset-4">
                    {one.name || one.company || 'Unnamed'}
                  </Serif>
                </Link>
                <Soft className="tabular">
                  {[one.name && one.company, one.label, one.km !== undefined && kilometreWords(one.km)]
                    .filter(Boolean)
                    .join(' · ')}
                </Soft>
              </View>
              <Button
                look={isStop(one.personId) ? 'ink' : 'plain'}
                disabled={!mayAdd && !isStop(one.personId)}
                label={isStop(one.personId) ? `${one.name} is a stop: take them out` : `Make ${one.name} a stop`}
                onPress={() => onStop(one)}
              >
                {isStop(one.personId) ? 'A stop' : 'Stop there'}
              </Button>
            </View>
          ))}
          {near.length > MOST_SHOWN ? <Soft>{`and ${near.length - MOST_SHOWN} more, further away`}</Soft> : null}
        </View>
      ) : null}
    </View>
  );
}

/** A town of the world by its first letters. */
export function TownField({ label = 'Near which town', onTown }: { label?: string; onTown: (town: MapTown) => void }) {
  const [q, setQ] = useState('');
  // Who presses Enter means the first; it may not be there yet.
  const [entered, setEntered] = useState<string>();
  const settled = useSettled(q.trim(), PAUSE_MS);
  const { currentData, error } = useTownsQuery(settled.length >= 2 ? settled : skipToken);
  const towns = q.trim().length >= 2 ? (currentData?.items ?? []) : [];
  const take = (town: MapTown) => {
    onTown(town);
    setQ('');
    setEntered(undefined);
  };
  const first = settled === q.trim() ? towns[0] : undefined;
  useEffect(() => {
    if (first && entered === settled) take(first);
  });
  return (
    <View className="gap-1">
      <TextField
        label={label}
        value={q}
        onChangeText={(text) => {
          setQ(text);
          setEntered(undefined);
        }}
        maxLength={80}
        autoCapitalize="words"
        submitBehavior="submit"
        onSubmitEditing={() => setEntered(q.trim())}
      />
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      {towns.slice(0, 6).map((town) => (
        <View key={`${town.lat} ${town.lon} ${town.name}`} className="items-start">
          <Button look="bare" className="-ml-4" onPress={() => take(town)}>
            {townWords(town)}
          </Button>
        </View>
      ))}
      {currentData && towns.length === 0 && settled === q.trim() && settled.length >= 2 ? (
        <Text className="text-[15px]">No town of more than a thousand people is called so.</Text>
      ) : null}
    </View>
  );
}
