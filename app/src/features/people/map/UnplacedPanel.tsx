import type { OwnPlaceFields, PeopleMap, Unplaced } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { useMay } from '@/features/account';
import { problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { Button, Notice, Select, Serif, Soft, Subheading } from '@/ui';
import { useForgetPlaceMutation, useOwnPlacesQuery, useSayWhereMutation } from './api';
import { TownField } from './NearPanel';
import { townWords } from './words';

interface Props {
  map: PeopleMap;
  /** The next touch of the map says where it is. */
  onPlace: (what: Pick<OwnPlaceFields, 'country' | 'town' | 'postalCode'>) => void;
}

/** Whose place is not surely known: said here by hand, never guessed. */
export function UnplacedPanel({ map: { unplaced, without }, onPlace }: Props) {
  const may = useMay();
  const people = unplaced.reduce((sum, one) => sum + one.people, 0);
  if (unplaced.length === 0 && without === 0) return <Own />;
  return (
    <View role="region" aria-label="Not on the map" className="gap-2 border-t border-rule pt-3">
      <Subheading>Not on the map</Subheading>
      {people > 0 ? (
        <Soft>{`Of ${counted(people, 'person', 'people')} the place is not surely known. Say where it is, and it is known for everybody there.`}</Soft>
      ) : null}
      {unplaced.slice(0, 40).map((one) => (
        <OneUnplaced key={`${one.locality} ${one.postalCode} ${one.country}`} one={one} may={may('edit')} onPlace={onPlace} />
      ))}
      {without > 0 ? <Soft>{`${counted(without, 'person', 'people')} without a town or postal code.`}</Soft> : null}
      <Own />
    </View>
  ); // prettier-ignore
}

function OneUnplaced({ one, may, onPlace }: { one: Unplaced; may: boolean; onPlace: Props['onPlace'] }) {
  const { locality, postalCode, country, people, towns } = one;
  const [say, { isLoading, error }] = useSayWhereMutation();
  const [open, setOpen] = useState(false);
  // A town is one place, whatever its postal codes; without one the postal code says it.
  const what = { country: /^[A-Z]{2}$/.test(country) ? country : '', town: locality, postalCode: locality ? '' : postalCode }; // prettier-ignore
  const at = ({ lat, lon }: { lat: number; lon: number }) => void say({ ...what, lat, lon });
  const name = [locality, postalCode, country].filter(Boolean).join(', ');
  return (
    <View className="gap-1 border-b border-rule py-2">
      <Serif className="text-[18px] leading-[24px]">{name}</Serif>
      <Soft>{`${counted(people, 'person', 'people')}: ${towns.length > 0 ? 'several towns are called so' : 'no town is known by this name'}`}</Soft>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      {may ? (
        <View className="flex-row flex-wrap items-center gap-3">
          {towns.length > 0 ? (
            <Select
              label={`Which ${locality}`}
              options={[{ value: '', label: 'Which one …' }, ...towns.map((town, i) => ({ value: String(i), label: townWords(town) }))]}
              value=""
              onChange={(i) => i !== '' && at(towns[Number(i)]!)}
            />
          ) : null}
          <Button busy={isLoading} label={`Touch the map where ${name} is`} onPress={() => onPlace(what)}>
            Touch the map
          </Button>
          <Button look="bare" label={`Say near which town ${name} is`} onPress={() => setOpen(!open)}>
            Near a town
          </Button>
        </View>
      ) : null}
      {open ? <TownField label={`Near which town is ${name}`} onTown={at} /> : null}
    </View>
  ); // prettier-ignore
}

/** Places that the team has named itself. */
function Own() {
  const may = useMay();
  const { data } = useOwnPlacesQuery();
  const [forget, { error, isLoading }] = useForgetPlaceMutation();
  const [open, setOpen] = useState(false);
  if (!data || data.items.length === 0) return null;
  return (
    <View className="gap-1 pt-2">
      <View className="items-start">
        <Button look="bare" className="-ml-4" onPress={() => setOpen(!open)}>
          {`${counted(data.items.length, 'place')} that your team has named`}
        </Button>
      </View>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      {open
        ? data.items.map(({ id, town, postalCode, country, by }) => (
            <View key={id} className="flex-row flex-wrap items-center gap-x-3 border-b border-rule py-1">
              <Soft className="min-w-[160px] flex-1">{`${[town, postalCode, country].filter(Boolean).join(', ')}${by ? `, said by ${by}` : ''}`}</Soft>
              {may('edit') ? (
                <Button look="brick" label={`Forget where ${town || postalCode} is`} busy={isLoading} onPress={() => void forget(id)}>
                  Forget
                </Button>
              ) : null}
            </View>
          ))
        : null}
    </View>
  ); // prettier-ignore
}
