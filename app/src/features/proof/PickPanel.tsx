import type { DraftField } from '@dossier/core/proof';
import type { FieldName } from '@dossier/core/reading/fields';
import { ScrollView, View } from 'react-native';
import { useDispatch } from 'react-redux';
import { FIELD_LABELS } from '@/lib/fieldLabels';
import { Button, Notice, Raw, Soft } from '@/ui';
import { FieldChips } from './FieldChips';
import { proofActions } from './slice';
import type { OnTheSpot, Picked } from './usePicking';

interface Props {
  cardId: string;
  picked: Picked;
  /** The field it is put into by one touch: the one in focus. */
  field: DraftField | undefined;
  onDone: () => void;
}

/** Where picked text goes: into the field in focus, behind what stands there, or to any other field. */
export function PickPanel({ cardId, picked: { text, sources }, field, onDone }: Props) {
  const dispatch = useDispatch();
  const put = (behind: boolean) => {
    dispatch(proofActions.textPicked({ cardId, id: field!.id, text, sources, behind }));
    onDone();
  };
  const give = (name: FieldName) => {
    dispatch(proofActions.fieldAdded({ cardId, field: name, value: text, sources }));
    onDone();
  };
  const label = field && (field.label ?? FIELD_LABELS[field.field]);
  return (
    <View role="region" aria-label="Picked text" className="gap-2 border-b border-rule bg-sheet px-4 py-3">
      <Raw>{text}</Raw>
      <View className="flex-row flex-wrap gap-2">
        {field ? (
          <>
            <Button look="ink" onPress={() => put(false)}>{`Put into ${label}`}</Button>
            {field.value ? <Button onPress={() => put(true)}>{`Add to ${label}`}</Button> : null}
          </>
        ) : null}
        <Button look="bare" onPress={onDone}>
          Not this
        </Button>
      </View>
      <Soft>{field ? 'Or give it to' : 'Give it to'}</Soft>
      <ScrollView style={{ maxHeight: 156 }}>
        <FieldChips label="Give the picked text to" without={['more']} onChoose={give} />
      </ScrollView>
    </View>
  );
}

/** What becomes of a part that is read on the spot. */
export const OnTheSpotNotice = (spot: OnTheSpot) => (
  <View className="px-4 pt-3">
    <Notice fault={spot.state !== 'reading'}>
      {spot.state === 'reading'
        ? 'Reading this part …'
        : spot.state === 'nothing'
          ? 'Nothing legible there. Draw the rectangle closer around the text.'
          : spot.problem}
    </Notice>
  </View>
);
