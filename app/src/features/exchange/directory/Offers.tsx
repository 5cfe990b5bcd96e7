import type { Finding } from '@dossier/contract';
import { formatPhone } from '@dossier/core/people';
import { useState } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { formatWhen } from '@/lib/formatDate';
import { Button, Notice, Soft, Text, Toggle } from '@/ui';
import { useSettleFindingsMutation } from './api';
import { FIELD_WORDS } from './words';

/** What a directory says, each value to be taken or left; nothing is taken that nobody has chosen. */
export function Offers({ findings, about }: { findings: readonly Finding[]; about: string }) {
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [settle, { isLoading, error }] = useSettleFindingsMutation();
  const take = findings.filter(({ id }) => chosen.has(id)).map(({ id }) => id);
  const others = findings.filter(({ id }) => !chosen.has(id)).map(({ id }) => id);
  const toggle = (id: string, on: boolean) => setChosen(new Set(on ? [...chosen, id] : [...chosen].filter((one) => one !== id))); // prettier-ignore
  const done = (body: { take: string[]; leave: string[] }) => settle(body).then(({ error: failed }) => failed || setChosen(new Set())); // prettier-ignore
  if (findings.length === 0) return null;
  const isOne = new Set(findings.map(saidBy)).size === 1;
  return (
    <View role="group" aria-label={`Offered of ${about}`} className="gap-1">
      {isOne ? <Soft>{saidBy(findings[0]!)}</Soft> : null}
      {findings.map((finding) => (
        <Offer
          key={finding.id}
          finding={finding}
          on={chosen.has(finding.id)}
          onChange={(on) => toggle(finding.id, on)}
          showsSource={!isOne}
        />
      ))}
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      <View className="flex-row flex-wrap gap-3 pt-1">
        <Button
          look="ink"
          busy={isLoading}
          disabled={take.length === 0}
          onPress={() => void done({ take, leave: others })}
        >
          {take.length === 0
            ? 'Take what is ticked'
            : others.length === 0
              ? `Take ${counted(take.length, 'value')}`
              : `Take ${take.length}, leave ${others.length}`}
        </Button>
        <Button busy={isLoading} onPress={() => void done({ take: [], leave: findings.map(({ id }) => id) })}>
          Leave all
        </Button>
      </View>
    </View>
  );
}

/** Where a value is from, and of when. */
const saidBy = ({ source, foundAt }: Finding): string => `from ${source}, ${formatWhen(foundAt)}`;

interface OfferProps {
  finding: Finding;
  on: boolean;
  onChange: (on: boolean) => void;
  /** What it is from stands beside it, not once for all. */
  showsSource: boolean;
}

function Offer({ finding, on, onChange, showsSource }: OfferProps) {
  const { field, of, value, here } = finding;
  const label = `${FIELD_WORDS[field]}${of === 'firm' && (field === 'phone' || field === 'website') ? ' of the firm' : ''}`; // prettier-ignore
  const shown = field === 'portrait' ? 'a picture of them' : field === 'phone' ? formatPhone(value, '') : value;
  return (
    <View className="border-b border-rule py-1">
      <Toggle label={`${label}: ${shown}`} on={on} onChange={onChange} />
      {here ? <Text className="pl-[34px] text-[15px]">{`in place of “${here}”`}</Text> : null}
      {showsSource ? <Soft className="pl-[34px]">{saidBy(finding)}</Soft> : null}
    </View>
  );
}
