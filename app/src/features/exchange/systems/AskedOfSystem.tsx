import { useFormContext, useWatch, type FieldPath } from 'react-hook-form';
import { View } from 'react-native';
import { Choice, Soft } from '@/ui';
import { FormField } from '@/ui/FormField';
import { Labelled, Part, Ticked } from './formParts';
import type { SystemForm } from './systemForm';

const CHANGES = [
  { value: 'PATCH', label: 'PATCH' },
  { value: 'PUT', label: 'PUT' },
] as const;

/** A path, place or name that is written as the other system has it. */
function Written({
  name,
  label,
  hint,
  multiline,
}: {
  name: FieldPath<SystemForm>;
  label: string;
  hint?: string;
  multiline?: boolean;
}) {
  // prettier-ignore
  const { control } = useFormContext<SystemForm>();
  return (
    <FormField
      control={control}
      name={name}
      label={label}
      hint={hint}
      multiline={multiline}
      className={multiline ? 'min-h-[72px] font-mono text-[15px]' : 'font-mono text-[15px]'}
      autoCapitalize="none"
      autoCorrect={false}
      autoComplete="off"
    />
  );
}

/** By what it finds one of these again that it has already. */
const KnownAgain = ({ kind }: { kind: 'note' | 'task' | 'picture' | 'opportunity' }) => (
  <>
    <Written
      name={`plain.${kind}.ours`}
      label="What it is called here"
      hint="A field that takes our own name for it."
    />
    <Written
      name={`find.${kind}`}
      label="Found again by"
      hint="As ?KEY={KEY}, where KEY is that field. It is asked before one is made."
      multiline
    />
  </>
);

/** Where the other system has which records, and what its answers look like. */
export function AskedOfSystem() {
  const { control, setValue } = useFormContext<SystemForm>();
  const plain = useWatch({ control, name: 'plain' });
  return (
    <>
      <Part title="Where it has its records">
        <Soft>Paths behind the address. What it keeps none of is left empty.</Soft>
        <Written name="plain.lead.path" label="Leads" hint="As /api/leads" />
        <Written
          name="plain.contact.path"
          label="Contacts"
          hint="Where it has only one of the two, the same path at both."
        />
        <Written name="plain.company.path" label="Companies" />
        <Written name="plain.note.path" label="Notes" />
        <Written name="plain.task.path" label="Next steps" />
        <Written name="plain.picture.path" label="Pictures of cards" />
        <Written name="plain.opportunity.path" label="Business" hint="Goes there with the first of its people." />
      </Part>
      <Part title="How it is asked who is there already">
        <Soft>
          What stands behind the path, a line each, tried one after the other: ?mail={'{'}MAIL{'}'}, where MAIL is one
          of its fields; {'{'}ref{'}'} stands for what it calls the record, where that is known.
        </Soft>
        <Written name="find.lead" label="Leads are found by" multiline />
        <Written name="find.contact" label="Contacts are found by" multiline />
        {plain.company.path ? <Written name="find.company" label="Companies are found by" multiline /> : null}
      </Part>
      <Part title="What it answers">
        <Soft>Places such as records.0.id: the id of the first of the records.</Soft>
        <Written name="plain.answers.refAt" label="Where it says what it calls a new record" />
        <Written name="plain.answers.linkAt" label="Where the link to it stands" />
        <Written
          name="plain.answers.foundAt"
          label="Where the record stands that was found"
          hint="Nothing, where the answer is the record."
        />
        <Written name="plain.answers.foundRefAt" label="Within it: what it is called" />
        <Written name="plain.answers.foundLinkAt" label="Within it: the link" />
        <Written name="plain.answers.foundValuesAt" label="Within it: its fields" />
      </Part>
      <Part title="How it is sent to">
        <Labelled label="What is there is changed by">
          <Choice
            label="What is there is changed by"
            options={CHANGES}
            value={plain.answers.change}
            onChange={(change) => setValue('plain.answers.change', change)}
          />
        </Labelled>
        <Written
          name="plain.answers.onceHeader"
          label="Header by which it knows what was sent twice"
          hint="Such as Idempotency-Key. Without one, what it makes without answering may be made twice."
        />
        <Written
          name="plain.answers.bodyAt"
          label="Where the fields stand in what is sent"
          hint="Nothing, where they are all of it."
        />
      </Part>
      {plain.note.path ? (
        <Part title="Fields of a note">
          <Written name="plain.note.of" label="Whose it is" />
          <KnownAgain kind="note" />
          <Written name="plain.note.words" label="What it says" />
          <Ticked name="plain.note.isChanged" label="It is changed there when it changes here" />
        </Part>
      ) : null}
      {plain.task.path ? (
        <Part title="Fields of a next step">
          <Written name="plain.task.of" label="With whom" />
          <KnownAgain kind="task" />
          <Written name="plain.task.words" label="What is to be done" />
          <Written name="plain.task.due" label="By when" />
          <Written name="plain.task.done" label="When it was done" />
          <Ticked name="plain.task.isChanged" label="It is changed there when it is done here" />
        </Part>
      ) : null}
      {plain.picture.path ? (
        <Part title="Fields of a picture">
          <Written name="plain.picture.of" label="Whose card it is" />
          <KnownAgain kind="picture" />
          <Written name="plain.picture.bytes" label="The picture, in base64" />
          <Written name="plain.picture.side" label="Front or back" />
        </Part>
      ) : null}
      {plain.opportunity.path ? (
        <Part title="Fields of business">
          <Written name="plain.opportunity.of" label="With whom it is done" />
          <KnownAgain kind="opportunity" />
          <Written name="plain.opportunity.title" label="What it is about" />
          <Written name="plain.opportunity.value" label="What it is worth" />
          <Written name="plain.opportunity.currency" label="In which currency" />
          <Written name="plain.opportunity.stage" label="Its stage" />
          <Written name="plain.opportunity.state" label="Open, won or lost" />
          <Written name="plain.opportunity.expected" label="When it is expected" />
          <Written name="plain.opportunity.reason" label="Why it was won or lost" />
          <Ticked name="plain.opportunity.isChanged" label="It is changed there when it changes here" />
        </Part>
      ) : null}
      <Part title="Where it describes its fields">
        <Soft>If it does: what goes where can then be chosen from them.</Soft>
        <Written name="plain.describe.path" label="Path of the description" />
        {plain.describe.path ? (
          <View className="gap-4">
            <Written name="plain.describe.leadAt" label="Where the fields of a lead stand" />
            <Written name="plain.describe.contactAt" label="Where the fields of a contact stand" />
            {plain.company.path ? (
              <Written name="plain.describe.companyAt" label="Where the fields of a company stand" />
            ) : null}
          </View>
        ) : null}
      </Part>
    </>
  );
}
