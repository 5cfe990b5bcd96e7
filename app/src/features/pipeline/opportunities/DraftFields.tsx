import type { PipelineSettings } from '@dossier/contract';
import { View } from 'react-native';
import { DayField, Select, Soft, TextField, Toggle } from '@/ui';
import { complaintsOf, type Draft } from './draft';

interface Props {
  draft: Draft;
  set: (change: Partial<Draft>) => void;
  settings: PipelineSettings;
  /** Whether what is wrong is said already. */
  isTold: boolean;
  /** Not where something is changed that is in a stage already. */
  withStage?: boolean;
}

/** What it is called, worth, and when it is expected. */
export function DraftFields({ draft, set, settings, isTold, withStage }: Props) {
  const complaints = isTold ? complaintsOf(draft) : {};
  const stage = settings.stages.find(({ id }) => id === draft.stageId);
  const about = [...new Set([...settings.products, ...draft.about])];
  return (
    <View className="gap-3">
      <TextField
        label="What it is called"
        value={draft.title}
        onChangeText={(title) => set({ title })}
        complaint={complaints.title}
        maxLength={200}
      />
      <View className="flex-row flex-wrap gap-3">
        <View className="min-w-[150px] flex-[2]">
          <TextField
            label="Worth"
            value={draft.value}
            onChangeText={(value) => set({ value })}
            complaint={complaints.value}
            inputMode="decimal"
            maxLength={20}
          />
        </View>
        <View className="min-w-[84px] flex-1">
          <TextField
            label="Currency"
            value={draft.currency}
            onChangeText={(currency) => set({ currency: currency.toUpperCase() })}
            complaint={complaints.currency}
            autoCapitalize="characters"
            maxLength={3}
          />
        </View>
      </View>
      <View className="flex-row flex-wrap gap-3">
        <DayField label="Expected on" value={draft.expectedOn} onChange={(expectedOn) => set({ expectedOn })} />
        <View className="min-w-[120px] flex-1">
          <TextField
            label="Chance in per cent"
            value={draft.chance}
            onChangeText={(chance) => set({ chance })}
            complaint={complaints.chance}
            placeholder={stage ? `${stage.chance}, as its stage` : undefined}
            inputMode="numeric"
            maxLength={3}
          />
        </View>
      </View>
      {withStage ? (
        <View>
          <Soft aria-hidden>Stage</Soft>
          <Select
            label="Stage"
            value={draft.stageId}
            onChange={(stageId) => set({ stageId })}
            options={settings.stages.map(({ id, name }) => ({ value: id, label: name }))}
          />
        </View>
      ) : null}
      {about.length > 0 ? (
        <View role="group" aria-label="What it is about">
          <Soft aria-hidden>What it is about</Soft>
          <View className="flex-row flex-wrap gap-x-5">
            {about.map((word) => (
              <Toggle
                key={word}
                label={word}
                on={draft.about.includes(word)}
                onChange={(on) =>
                  set({ about: on ? [...draft.about, word] : draft.about.filter((one) => one !== word) })
                }
              />
            ))}
          </View>
        </View>
      ) : null}
    </View>
  );
}
