import { PipelineSettings } from '@dossier/contract';
import { addMonths, format } from 'date-fns';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { SettingsSection } from '@/features/account';
import { problemText } from '@/lib/api';
import { amountOf } from '@/lib/money';
import { Button, CannotShow, Choice, LoadingLines, Notice, Select, Soft, Subheading, TagField, TextField } from '@/ui';
import { usePipelineSettingsQuery, useSavePipelineSettingsMutation } from './api';

/** How the team follows leads and business: its words, stages, goals and rates. */
export function PipelineSection() {
  const { data, error, refetch } = usePipelineSettingsQuery();
  if (error && !data) return <CannotShow title="This cannot be shown" error={error} onRetry={refetch} />;
  return (
    <SettingsSection title="Leads and business" measure={720}>
      {data ? <Setting key={JSON.stringify(data)} settings={data} /> : <LoadingLines />}
    </SettingsSection>
  );
}

/** As it is written: numbers are words until they are saved. */
interface Written {
  stages: { id: string; name: string; chance: string; staleDays: string }[];
  rates: { currency: string; rate: string }[];
  goals: Record<string, string>;
  untouchedDays: string;
}

const WORDS = [
  ['leadStatuses', 'How far a lead is', 'In the order in which they are chosen from.'],
  ['closeReasons', 'Why leads are closed', undefined],
  ['winReasons', 'Why business is won', undefined],
  ['lossReasons', 'Why business is lost', undefined],
  ['products', 'What business is about', 'Your products, or what people need.'],
] as const;

const MONTHS = 6;
const MOST_MONTHS = 24;

function Setting({ settings }: { settings: PipelineSettings }) {
  const [own, setOwn] = useState(settings);
  const [written, setWritten] = useState<Written>(() => ({
    stages: settings.stages.map(({ chance, staleDays, ...stage }) => ({ ...stage, chance: String(chance), staleDays: staleDays?.toString() ?? '' })), // prettier-ignore
    rates: settings.rates.map(({ currency, rate }) => ({ currency, rate: String(rate) })),
    goals: Object.fromEntries(settings.goals.map(({ month, value }) => [month, String(value)])),
    untouchedDays: String(settings.untouchedDays),
  }));
  const [wrong, setWrong] = useState<string>();
  const [months, setMonths] = useState(MONTHS);
  const [save, { error, isLoading }] = useSavePipelineSettingsMutation();
  const write = (change: Partial<Written>) => setWritten({ ...written, ...change });
  const keep = async () => {
    const whole = PipelineSettings.safeParse({
      ...own,
      stages: written.stages.map(({ chance, staleDays, ...stage }) => ({ ...stage, chance: Number(chance), staleDays: staleDays.trim() ? Number(staleDays) : null })), // prettier-ignore
      rates: written.rates.filter(({ currency }) => currency).map(({ currency, rate }) => ({ currency, rate: Number(rate.replace(',', '.')) })), // prettier-ignore
      goals: Object.entries(written.goals).filter(([, value]) => value.trim()).map(([month, value]) => ({ month, value: amountOf(value) })), // prettier-ignore
      untouchedDays: Number(written.untouchedDays),
    });
    setWrong(whole.success ? undefined : whole.error.issues[0]?.message);
    if (whole.success) await save(whole.data);
  };
  return (
    <View className="gap-7">
      <Stages stages={written.stages} onChange={(stages) => write({ stages })} />
      {WORDS.map(([name, label, hint]) => (
        <TagField
          key={name}
          label={label}
          hint={hint}
          tags={own[name]}
          onChange={(words) => setOwn({ ...own, [name]: words })}
        />
      ))}
      <View className="gap-3">
        <Subheading>Money</Subheading>
        <View className="max-w-[200px]">
          <TextField
            label="Your currency"
            value={own.currency}
            onChangeText={(currency) => setOwn({ ...own, currency: currency.toUpperCase() })}
            maxLength={3}
          />
        </View>
        <Soft>What one unit of another currency is worth in yours. Dossier looks nothing up.</Soft>
        {written.rates.map(({ currency, rate }, place) => {
          const set = (change: Partial<Written['rates'][number]>) => write({ rates: written.rates.map((one, i) => (i === place ? { ...one, ...change } : one)) }); // prettier-ignore
          return (
            <View key={place} className="flex-row flex-wrap items-end gap-3">
              <View className="w-[110px]">
                <TextField
                  label="Currency"
                  value={currency}
                  onChangeText={(next) => set({ currency: next.toUpperCase() })}
                  maxLength={3}
                />
              </View>
              <View className="w-[140px]">
                <TextField
                  label={`In ${own.currency}`}
                  value={rate}
                  onChangeText={(next) => set({ rate: next })}
                  inputMode="decimal"
                  maxLength={14}
                />
              </View>
              <Button
                look="bare"
                label={`Take ${currency || 'this rate'} off`}
                onPress={() => write({ rates: written.rates.filter((_, i) => i !== place) })}
              >
                Take off
              </Button>
            </View>
          );
        })}
        <View className="items-start">
          <Button onPress={() => write({ rates: [...written.rates, { currency: '', rate: '' }] })}>
            Add a currency
          </Button>
        </View>
      </View>
      <View className="gap-3">
        <Subheading>What you want to win</Subheading>
        <View className="flex-row flex-wrap gap-3">
          {Array.from({ length: months }, (_, i) => addMonths(new Date(), i)).map((month) => {
            const name = format(month, 'yyyy-MM');
            return (
              <View key={name} className="w-[140px]">
                <TextField
                  label={format(month, 'MMMM yyyy')}
                  value={written.goals[name] ?? ''}
                  onChangeText={(value) => write({ goals: { ...written.goals, [name]: value } })}
                  inputMode="decimal"
                  maxLength={18}
                />
              </View>
            );
          })}
        </View>
        {months < MOST_MONTHS ? (
          <View className="items-start">
            <Button onPress={() => setMonths(months + MONTHS)}>Further months</Button>
          </View>
        ) : null}
      </View>
      <View className="gap-3">
        <Subheading>Days and figures</Subheading>
        <View className="max-w-[280px]">
          <TextField
            label="Days until an untouched lead stands in Today"
            value={written.untouchedDays}
            onChangeText={(untouchedDays) => write({ untouchedDays })}
            inputMode="numeric"
            maxLength={3}
          />
        </View>
        <Soft>Reps see in the figures</Soft>
        <Choice
          label="Whose figures reps see"
          value={own.figures}
          onChange={(figures) => setOwn({ ...own, figures })}
          options={[
            { value: 'own', label: 'Their own' },
            { value: 'all', label: 'Everybody’s' },
          ]}
        />
        <View className="items-start">
          <Soft aria-hidden>Days and months are those of</Soft>
          <Select
            label="Time zone of the figures"
            value={own.timeZone}
            onChange={(timeZone) => setOwn({ ...own, timeZone })}
            options={zones(own.timeZone).map((zone) => ({ value: zone, label: zone.replaceAll('_', ' ') }))}
          />
        </View>
      </View>
      {wrong ? <Notice fault>{wrong}</Notice> : null}
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      <View className="items-start">
        <Button look="ink" busy={isLoading} onPress={() => void keep()}>
          Save
        </Button>
      </View>
    </View>
  );
}

/** All that the browser knows, and the one that is set. */
const zones = (own: string): string[] => [...new Set([own, 'UTC', ...Intl.supportedValuesOf('timeZone')])];

type Stages = Written['stages'];

function Stages({ stages, onChange }: { stages: Stages; onChange: (stages: Stages) => void }) {
  const set = (place: number, change: Partial<Stages[number]>) => onChange(stages.map((one, i) => (i === place ? { ...one, ...change } : one))); // prettier-ignore
  const swap = (place: number, other: number) => {
    const next = [...stages];
    [next[place], next[other]] = [next[other]!, next[place]!];
    onChange(next);
  };
  return (
    <View className="gap-3">
      <Subheading>Stages</Subheading>
      <Soft>From the first talk on. What is won or lost needs no stage.</Soft>
      {stages.map((stage, place) => (
        <View
          key={stage.id}
          role="group"
          aria-label={stage.name || 'A stage'}
          className="gap-1 border-b border-rule pb-3"
        >
          <View className="flex-row flex-wrap gap-3">
            <View className="min-w-[170px] flex-[3]">
              <TextField label="Name" value={stage.name} onChangeText={(name) => set(place, { name })} maxLength={60} />
            </View>
            <View className="min-w-[80px] flex-1">
              <TextField
                label="Chance, %"
                value={stage.chance}
                onChangeText={(chance) => set(place, { chance })}
                inputMode="numeric"
                maxLength={3}
              />
            </View>
            <View className="min-w-[110px] flex-1">
              <TextField
                label="Stale after days"
                value={stage.staleDays}
                onChangeText={(staleDays) => set(place, { staleDays })}
                placeholder="never"
                inputMode="numeric"
                maxLength={3}
              />
            </View>
          </View>
          <View className="flex-row flex-wrap">
            {place > 0 ? (
              <Button look="bare" label={`${stage.name} earlier`} onPress={() => swap(place, place - 1)}>
                Earlier
              </Button>
            ) : null}
            {place < stages.length - 1 ? (
              <Button look="bare" label={`${stage.name} later`} onPress={() => swap(place, place + 1)}>
                Later
              </Button>
            ) : null}
            {stages.length > 1 ? (
              <Button
                look="bare"
                label={`Remove ${stage.name}`}
                onPress={() => onChange(stages.filter((_, i) => i !== place))}
              >
                Remove
              </Button>
            ) : null}
          </View>
        </View>
      ))}
      {stages.length < 12 ? (
        <View className="items-start">
          <Button onPress={() => onChange([...stages, { id: uuidv7(), name: '', chance: '50', staleDays: '' }])}>
            Add a stage
          </Button>
        </View>
      ) : null}
    </View>
  );
}
