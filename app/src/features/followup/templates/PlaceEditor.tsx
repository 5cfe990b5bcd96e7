import type { Piece } from '@dossier/contract';
import { placeholderLabel, type Placeholder } from '@dossier/core/followup/templates';
import { Editor, Node } from '@tiptap/core';
import { Document } from '@tiptap/extension-document';
import { Paragraph } from '@tiptap/extension-paragraph';
import { Text as PlainText } from '@tiptap/extension-text';
import { UndoRedo } from '@tiptap/extensions';
import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { Button, Select, Soft, TextField } from '@/ui';
import { documentOf, piecesOf, type EditorDocument } from './piecesDocument';

/** A place that is filled in: one thing among the words. */
const Place = Node.create({
  name: 'place',
  group: 'inline',
  inline: true,
  atom: true,
  addAttributes: () => ({ field: { default: '' }, fallback: { default: '' } }),
  parseHTML: () => [
    {
      tag: 'span[data-place]',
      getAttrs: (span) => ({
        field: span.getAttribute('data-place'),
        fallback: span.getAttribute('data-fallback') ?? '',
      }),
    },
  ],
  renderHTML: ({ node }) => [
    'span',
    { 'data-place': node.attrs.field as string, 'data-fallback': node.attrs.fallback as string, class: 'place' },
    `${placeholderLabel(node.attrs.field as Placeholder)}${node.attrs.fallback ? `, else “${node.attrs.fallback as string}”` : ''}`,
  ],
  renderText: ({ node }) => `[${placeholderLabel(node.attrs.field as Placeholder)}]`,
});
const OneLine = Document.extend({ content: 'paragraph' });

interface Props {
  label: string;
  pieces: readonly Piece[];
  onChange: (pieces: Piece[]) => void;
  places: readonly { value: Placeholder; label: string }[];
  oneLine?: boolean;
  complaint?: string;
}

/** Words with places between them: a place is put where the cursor stands, and says what stands there where nothing is known. */
export function PlaceEditor({ label, pieces, onChange, places, oneLine, complaint }: Props) {
  const host = useRef<HTMLDivElement>(null);
  const editor = useRef<Editor>(undefined);
  const told = useRef(onChange);
  const [first] = useState(pieces);
  const [chosen, setChosen] = useState<{ at: number; field: Placeholder; fallback: string }>();
  useEffect(() => {
    told.current = onChange;
  });
  useEffect(() => {
    const made = new Editor({
      element: host.current!,
      extensions: [oneLine ? OneLine : Document, Paragraph, PlainText, Place, UndoRedo],
      content: documentOf(first),
      editorProps: {
        attributes: {
          role: 'textbox',
          'aria-label': label,
          'aria-multiline': String(!oneLine),
          class: oneLine ? 'places one-line' : 'places',
        },
      },
      onUpdate: ({ editor: now }) => told.current(piecesOf(now.getJSON() as EditorDocument)),
      onSelectionUpdate: ({ editor: now }) => {
        const { from } = now.state.selection;
        const node = now.state.doc.nodeAt(from);
        setChosen(
          node?.type.name === 'place' && now.state.selection.to === from + 1
            ? { at: from, field: node.attrs.field as Placeholder, fallback: node.attrs.fallback as string }
            : undefined,
        );
      },
    });
    editor.current = made;
    return () => made.destroy();
  }, [first, label, oneLine]);
  const put = (field: Placeholder) =>
    editor.current
      ?.chain()
      .focus()
      .insertContent({ type: 'place', attrs: { field, fallback: '' } })
      .run();
  const otherwise = (fallback: string) => {
    if (!chosen) return;
    setChosen({ ...chosen, fallback });
    const { state, view } = editor.current!;
    view.dispatch(state.tr.setNodeMarkup(chosen.at, undefined, { field: chosen.field, fallback }));
  };
  return (
    <View className="gap-1">
      <Soft aria-hidden>{label}</Soft>
      <div ref={host} className={complaint ? 'places-frame wrong' : 'places-frame'} />
      {complaint ? <Soft className="text-brick">{complaint}</Soft> : null}
      <View className="flex-row flex-wrap items-center gap-3">
        <Soft aria-hidden>Put in</Soft>
        <Select
          label={`Put into ${label.toLowerCase()}`}
          value=""
          onChange={(field) => field && put(field as Placeholder)}
          options={[{ value: '', label: 'Choose' }, ...places]}
        />
      </View>
      {chosen ? (
        <View className="flex-row items-end gap-2">
          <View className="min-w-0 flex-1">
            <TextField
              label={`Instead of ${placeholderLabel(chosen.field).toLowerCase()}, where nothing is known`}
              value={chosen.fallback}
              onChangeText={otherwise}
              maxLength={300}
            />
          </View>
          <Button look="bare" onPress={() => setChosen(undefined)}>
            Close
          </Button>
        </View>
      ) : null}
    </View>
  );
}
