import type { BookingStanding } from '@dossier/contract';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { View } from 'react-native';
import { z } from 'zod';
import { tellForm } from '@/lib/formProblem';
import { Button, DayField, Notice, Soft, Subheading, Toggle } from '@/ui';
import { FormField } from '@/ui/FormField';
import { useSaveBookingMutation } from './api';
import { hoursText, spansIn } from './hoursText';

const WEEK = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'] as const;
/** As weeks are read: Monday first. */
const ORDER = [1, 2, 3, 4, 5, 6, 0] as const;

const number = (least: number, most: number, words: string) =>
  z.string().refine((text) => /^\d+$/.test(text.trim()) && Number(text) >= least && Number(text) <= most, words);

const Form = z.object({
  isOn: z.boolean(),
  minutes: number(5, 240, 'Write 5 to 240 minutes.'),
  bufferMinutes: number(0, 120, 'Write 0 to 120 minutes.'),
  noticeHours: number(0, 336, 'Write 0 to 336 hours.'),
  daysAhead: number(1, 90, 'Write 1 to 90 days.'),
  timeZone: z.string().min(1, 'Write a time zone, such as Europe/London.'),
  hours: z.array(z.string().refine((text) => spansIn(text) !== undefined, 'Write it as 9–12, 13–17, or nothing.')),
  holidays: z.boolean(),
  place: z.string().max(200),
  busyUrl: z.string().max(500),
});

interface Props {
  standing: BookingStanding;
}

/** The rules by which times are free. */
export function BookingForm({ standing }: Props) {
  const [save] = useSaveBookingMutation();
  const [daysOff, setDaysOff] = useState(standing.daysOff);
  const [said, setSaid] = useState<{ fault: boolean; words: string }>();
  const here = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const form = useForm({
    resolver: zodResolver(Form),
    defaultValues: {
      isOn: standing.isOn,
      minutes: String(standing.minutes),
      bufferMinutes: String(standing.bufferMinutes),
      noticeHours: String(standing.noticeHours),
      daysAhead: String(standing.daysAhead),
      timeZone: standing.timeZone === 'UTC' && !standing.isOn ? here : standing.timeZone,
      hours: standing.hours.map(hoursText),
      holidays: standing.holidays,
      place: standing.place,
      busyUrl: '',
    },
  });
  const { control } = form;
  const put = async (values: z.infer<typeof Form>, busyUrl: string | undefined) => {
    const { error } = await save({
      ...values,
      minutes: Number(values.minutes),
      bufferMinutes: Number(values.bufferMinutes),
      noticeHours: Number(values.noticeHours),
      daysAhead: Number(values.daysAhead),
      hours: values.hours.map((text) => spansIn(text)!),
      daysOff,
      busyUrl,
    });
    setSaid(error ? { fault: true, words: tellForm(form, error) } : { fault: false, words: 'Saved.' });
  };
  const submit = form.handleSubmit((values) => put(values, values.busyUrl.trim() || undefined));
  return (
    <View className="gap-4">
      <Controller
        control={control}
        name="isOn"
        render={({ field }) => (
          <Toggle label="Others may book a talk with me" on={field.value} onChange={field.onChange} />
        )}
      />
      <FormField control={control} name="minutes" label="Minutes of a talk" inputMode="numeric" maxLength={3} />
      <FormField
        control={control}
        name="bufferMinutes"
        label="Minutes free between two"
        inputMode="numeric"
        maxLength={3}
      />
      <FormField
        control={control}
        name="noticeHours"
        label="Hours before, at the latest"
        inputMode="numeric"
        maxLength={3}
      />
      <FormField control={control} name="daysAhead" label="Days ahead, at the most" inputMode="numeric" maxLength={2} />
      <FormField control={control} name="timeZone" label="Your time zone" maxLength={60} />
      <FormField
        control={control}
        name="place"
        label="Where you meet"
        hint="Such as: by phone, I call you. It stands in the invitation."
        maxLength={200}
      />
      <Subheading>Hours</Subheading>
      {ORDER.map((day) => (
        <FormField
          key={day}
          control={control}
          name={`hours.${day}`}
          label={WEEK[day]}
          placeholder="not at all"
          maxLength={80}
        />
      ))}
      <Controller
        control={control}
        name="holidays"
        render={({ field }) => <Toggle label="Not on public holidays" on={field.value} onChange={field.onChange} />}
      />
      <Subheading>Days off</Subheading>
      <DaysOff days={daysOff} onChange={setDaysOff} />
      <Subheading>Another calendar of yours</Subheading>
      {standing.busy ? (
        <View className="items-start gap-2">
          <Soft>{`What stands in your calendar at ${standing.busy.host} is kept free.`}</Soft>
          <Button look="brick" onPress={() => void form.handleSubmit((values) => put(values, ''))()}>
            Leave it out
          </Button>
        </View>
      ) : null}
      <FormField
        control={control}
        name="busyUrl"
        label={standing.busy ? 'Another address in its place' : 'Its private address (iCalendar)'}
        hint="It is looked at every few minutes, and only for when you are busy. It is kept under lock."
        inputMode="url"
        autoCapitalize="none"
        maxLength={500}
      />
      {said ? <Notice fault={said.fault}>{said.words}</Notice> : null}
      <View className="items-start">
        <Button look="ink" busy={form.formState.isSubmitting} onPress={() => void submit()}>
          Save
        </Button>
      </View>
    </View>
  );
}

type Days = BookingStanding['daysOff'];

function DaysOff({ days, onChange }: { days: Days; onChange: (days: Days) => void }) {
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const isWrong = from !== '' && to !== '' && to < from;
  const add = () => {
    onChange([...days, { from, to: to || from }].sort((a, b) => (a.from < b.from ? -1 : 1)));
    setFrom('');
    setTo('');
  };
  return (
    <View className="gap-2">
      {days.map((day) => (
        <View key={`${day.from} ${day.to}`} className="flex-row items-center gap-3">
          <Soft className="tabular min-w-0 flex-1">{day.from === day.to ? day.from : `${day.from} to ${day.to}`}</Soft>
          <Button
            look="bare"
            label={`Leave out ${day.from}`}
            onPress={() => onChange(days.filter((one) => one !== day))}
          >
            Leave out
          </Button>
        </View>
      ))}
      <View className="flex-row flex-wrap items-end gap-3">
        <DayField label="First day off" value={from} onChange={setFrom} />
        <DayField
          label="Last day off"
          value={to}
          onChange={setTo}
          complaint={isWrong ? 'It lies before the first.' : undefined}
        />
        <Button disabled={!from || isWrong} onPress={add}>
          Add
        </Button>
      </View>
    </View>
  );
}
