import { kilometres, type At } from '@dossier/core/people/map';
import { View } from 'react-native';
import { counted } from '@/lib/counted';
import { Button, Serif, Soft, Subheading, Text, Toggle } from '@/ui';
import { kilometreWords } from './words';

export interface Stop extends At {
  personId: string;
  name: string;
  label: string;
}

interface Props {
  /** In the order in which they are visited. */
  stops: readonly Stop[];
  total: number;
  from: (At & { label: string }) | undefined;
  back: boolean;
  onBack: (back: boolean) => void;
  onRemove: (personId: string) => void;
  onClear: () => void;
  /** All of it is brought into sight. */
  onShow: () => void;
}

/** A day's round in a sensible order, each stop handed on to the map of the device (RFC 5870). */
export function RoundPanel({ stops, total, from, back, onBack, onRemove, onClear, onShow }: Props) {
  if (stops.length === 0) return null;
  return (
    <View role="region" aria-label="Round" className="gap-2 border-t border-rule pt-3">
      <Subheading>Round</Subheading>
      <Soft role="status">
        {`${counted(stops.length, 'stop')}, ${kilometreWords(total)} as the crow flies${from ? `, from ${from.label}` : ''}.`}
      </Soft>
      <Toggle label={from ? 'And back' : 'In a circle'} on={back} onChange={onBack} />
      <View role="list" aria-label="Stops in their order">
        {stops.map((stop, i) => {
          const before = i === 0 ? from : stops[i - 1];
          return (
            <View key={stop.personId} role="listitem" className="flex-row items-center gap-3 border-b border-rule py-1">
              <Text className="tabular w-[22px] font-semibold">{i + 1}</Text>
              <View className="min-w-0 flex-1">
                <Serif className="text-[18px] leading-[24px]">{stop.name}</Serif>
                <Soft className="tabular">
                  {[stop.label, before && kilometreWords(kilometres(before, stop))].filter(Boolean).join(' · ')}
                </Soft>
              </View>
              <a
                href={`geo:${stop.lat.toFixed(5)},${stop.lon.toFixed(5)}?q=${encodeURIComponent(stop.label)}`}
                aria-label={`Show ${stop.name} on the map of this device`}
                style={{ color: 'rgb(var(--ink))', padding: '11px 4px', textUnderlineOffset: 4 }}
              >
                <Text className="underline underline-offset-4">Map</Text>
              </a>
              <Button look="brick" label={`Take ${stop.name} out of the round`} onPress={() => onRemove(stop.personId)}>
                Out
              </Button>
            </View>
          );
        })}
      </View>
      <View className="flex-row flex-wrap gap-3">
        <Button onPress={onShow}>Show all of it</Button>
        <Button look="bare" onPress={onClear}>
          Clear the round
        </Button>
      </View>
    </View>
  );
}
