import { format, subWeeks } from 'date-fns';
import { Link, useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { View } from 'react-native';
import { useMay, useSessionQuery, useTeamQuery } from '@/features/account';
import { useOccasions } from '@/features/capture';
import { PipelineHead } from '@/features/pipeline';
import { useWide } from '@/lib/useWide';
import { DayField, Page, Select, Text } from '@/ui';
import { ComingFigures } from './questions/ComingFigures';
import { LeadFigures } from './questions/LeadFigures';
import { OccasionFigures } from './questions/OccasionFigures';
import { OwedFigures } from './questions/OwedFigures';
import { ReadingFigures } from './questions/ReadingFigures';
import { SpeedFigures } from './questions/SpeedFigures';

const QUESTIONS = [
  { value: 'occasion', label: 'What did this occasion bring?' },
  { value: 'speed', label: 'How fast are we?' },
  { value: 'leads', label: 'Where do leads stay?' },
  { value: 'reading', label: 'How well are cards read?' },
  { value: 'owed', label: 'Who is owed an answer?' },
  { value: 'coming', label: 'What is coming?' },
] as const;
type Question = (typeof QUESTIONS)[number]['value'];

const WEEKS = 36;

/** A few questions, each with its pictures; what is asked stands in the address. */
export function FiguresScreen() {
  const router = useRouter();
  const wide = useWide();
  const params = useLocalSearchParams<Record<string, string>>();
  const { data: session } = useSessionQuery();
  const { items: occasions } = useOccasions(session?.user.id ?? '');
  const question = QUESTIONS.find(({ value }) => value === params.q)?.value ?? 'occasion';
  const set = (change: Record<string, string | undefined>) => router.setParams(Object.fromEntries(Object.entries(change).map(([name, value]) => [name, value || undefined]))); // prettier-ignore
  const today = new Date();
  const asked = {
    from: params.from ?? format(subWeeks(today, WEEKS), 'yyyy-MM-dd'),
    to: params.to ?? format(today, 'yyyy-MM-dd'),
    owner: params.owner,
    occasion: params.occasion,
  };
  // The one that brought most so far is of more interest than the first by name.
  const first = params.occasion ?? [...occasions].sort((a, b) => b.filed - a.filed)[0]?.id ?? '';
  return (
    <Page measure={900}>
      <View className="gap-5">
        <PipelineHead at="figures" />
        {wide ? (
          <View
            role="navigation"
            aria-label="Questions"
            className="flex-row flex-wrap gap-x-6 border-b border-rule print:hidden"
          >
            {QUESTIONS.map(({ value, label }) => (
              <Link
                key={value}
                href={`/pipeline/figures?q=${value}` as Href}
                aria-current={value === question ? 'page' : undefined}
              >
                <View
                  className={`min-h-touch justify-center border-b-2 ${value === question ? 'border-ink' : 'border-transparent'}`}
                >
                  <Text className={value === question ? 'font-medium' : 'text-soft'}>{label}</Text>
                </View>
              </Link>
            ))}
          </View>
        ) : (
          <View className="print:hidden">
            <Select label="Question" value={question} onChange={(q: Question) => set({ q })} options={QUESTIONS} />
          </View>
        )}
        {question === 'occasion' || question === 'owed' ? null : (
          <Asked question={question} asked={asked} set={set} occasions={occasions} />
        )}
        {question === 'occasion' ? (
          <OccasionFigures occasions={occasions} first={first} second={params.beside ?? ''} set={set} />
        ) : null}
        {question === 'speed' ? <SpeedFigures asked={asked} /> : null}
        {question === 'leads' ? <LeadFigures asked={asked} /> : null}
        {question === 'reading' ? <ReadingFigures asked={asked} /> : null}
        {question === 'owed' ? <OwedFigures /> : null}
        {question === 'coming' ? <ComingFigures owner={asked.owner} /> : null}
      </View>
    </Page>
  );
}

interface AskedProps {
  question: Question;
  asked: { from: string; to: string; owner?: string; occasion?: string };
  set: (change: Record<string, string | undefined>) => void;
  occasions: readonly { id: string; name: string }[];
}

/** Whose, from where, and filed when. */
function Asked({ question, asked, set, occasions }: AskedProps) {
  const { data: session } = useSessionQuery();
  const { data: team } = useTeamQuery();
  const may = useMay();
  const own = session?.user.id ?? '';
  // Whoever sees only their own figures is offered no others.
  const others = may('settle') || session?.workspace.figures === 'all' ? (team?.items ?? []).filter(({ id }) => id !== own) : []; // prettier-ignore
  return (
    <View className="flex-row flex-wrap items-end gap-x-5 gap-y-2 print:hidden">
      <Select
        label="Whose"
        value={asked.owner ?? ''}
        onChange={(owner) => set({ owner })}
        options={[{ value: '', label: 'The team’s' }, { value: own, label: 'Mine' }, ...others.map(({ id, name }) => ({ value: id, label: name }))]} // prettier-ignore
      />
      {question === 'coming' ? null : (
        <>
          <Select
            label="From which occasion"
            value={asked.occasion ?? ''}
            onChange={(occasion) => set({ occasion })}
            options={[{ value: '', label: 'Any occasion' }, ...occasions.map(({ id, name }) => ({ value: id, label: name }))]} // prettier-ignore
          />
          <View className="w-full max-w-[350px] flex-row gap-3">
            <DayField label="Filed from" value={asked.from} onChange={(from) => set({ from })} />
            <DayField label="to" value={asked.to} onChange={(to) => set({ to })} />
          </View>
        </>
      )}
    </View>
  );
}
