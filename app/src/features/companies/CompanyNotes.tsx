import type { Company, CompanyNote } from '@dossier/contract';
import { View } from 'react-native';
import { useMay } from '@/features/account';
import { AddNote, OneNote } from '@/features/people';
import { Subheading } from '@/ui';
import { useAddCompanyNoteMutation, useChangeCompanyNoteMutation, useRemoveCompanyNoteMutation } from './api';

/** What is to be known of a firm, whoever works there. */
export function CompanyNotes({ company }: { company: Company }) {
  const may = useMay();
  const [add, { isLoading, error }] = useAddCompanyNoteMutation();
  return (
    <View className="gap-3">
      <Subheading>Notes</Subheading>
      {may('edit') ? (
        <AddNote
          label="Of this firm"
          busy={isLoading}
          error={error}
          onAdd={async (text) => !(await add({ id: company.id, text })).error}
        />
      ) : null}
      {company.notes.map((note) => (
        <FirmNote key={note.id} note={note} />
      ))}
    </View>
  );
}

const FirmNote = ({ note }: { note: CompanyNote }) => (
  <OneNote note={note} change={useChangeCompanyNoteMutation()} remove={useRemoveCompanyNoteMutation()} />
);
