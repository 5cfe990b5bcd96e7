import type { ProofCard } from '@dossier/contract';
import { adviceFor } from '@dossier/core/capture';
import type { Draft } from '@dossier/core/proof';
import { Link } from 'expo-router';
import { Suspense, useState } from 'react';
import { View } from 'react-native';
import { ReadAgainPanel } from '@/features/tray';
import { FIELD_LABELS } from '@/lib/fieldLabels';
import { formatWhen } from '@/lib/formatDate';
import { Button, Raw, Soft, Subheading, Text } from '@/ui';
import { reasonWords } from './reasonWords';

/** How a card without a picture came; all others were photographed. */
const BEGUN: Readonly<Record<string, string>> = { text: 'From text', visitor: 'Left on your page' };

const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** What the machine saw: its lines as they were read, why each field was proposed, how good the picture is; and reading again. */
export function SawPanel({ card, draft, onClose }: { card: ProofCard; draft: Draft; onClose: () => void }) {
  const [again, setAgain] = useState(false);
  const { reading } = card;
  const advice = reading.quality ? adviceFor(reading.quality) : [];
  return (
    <View role="region" aria-label="What the machine saw" className="gap-4 px-4 pt-8">
      <View className="flex-row items-center justify-between">
        <Subheading>What the machine saw</Subheading>
        <Button look="bare" onPress={onClose}>
          Close
        </Button>
      </View>
      <Soft>{`${BEGUN[card.engine] ?? 'Photographed'}, ${formatWhen(card.takenAt)}`}</Soft>
      {reading.quality ? (
        <View className="gap-1">
          <Text>{qualityWords(reading.quality)}</Text>
          {advice.map(({ code, text }) => (
            <Soft key={code}>{text}</Soft>
          ))}
        </View>
      ) : null}
      <View className="gap-2">
        {reading.lines.map((line, i) => (
          <View key={i} className="flex-row items-baseline justify-between gap-3 border-b border-rule pb-1">
            <View className="min-w-0 flex-1">
              <Raw>{line.text}</Raw>
            </View>
            <Soft className="tabular">{percent(line.confidence)}</Soft>
          </View>
        ))}
        {reading.lines.length === 0 ? <Soft>No line was read.</Soft> : null}
      </View>
      <View className="gap-2">
        {draft.fields.map((field) => (
          <View key={field.id} className="gap-[2px]">
            <Text>{`${field.label ?? FIELD_LABELS[field.field]}: ${field.value}`}</Text>
            <Soft>
              {field.settled
                ? `settled by ${field.settled.by}, ${formatWhen(field.settled.at)}`
                : [...field.reasons.map(reasonWords), `${percent(field.confidence)} sure`].join(' · ')}
            </Soft>
          </View>
        ))}
      </View>
      {again ? (
        <Suspense>
          <ReadAgainPanel cardIds={[card.id]} onDone={() => setAgain(false)} onCancel={() => setAgain(false)} />
        </Suspense>
      ) : (
        <View className="flex-row flex-wrap items-center gap-x-5">
          <Button onPress={() => setAgain(true)}>Read again</Button>
          {card.photoId ? (
            <Link href={`/photos/${card.photoId}`}>
              <View className="min-h-touch justify-center">
                <Text className="underline underline-offset-4">Set the borders by hand</Text>
              </View>
            </Link>
          ) : null}
        </View>
      )}
    </View>
  );
}

function qualityWords({ smallestText, blur, exposure }: NonNullable<ProofCard['reading']['quality']>): string {
  const small = smallestText > 0 ? `Smallest print ${Math.round(smallestText)} pixels high` : 'No print found';
  const edges = blur < 0.1 ? 'crisp' : blur < 0.19 ? 'a little soft' : 'blurred';
  return `${small}, edges ${edges}, brightness ${percent(exposure)}.`;
}
