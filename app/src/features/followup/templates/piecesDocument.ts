import type { Piece } from '@dossier/contract';

/** As the editor has it: paragraphs of text and places to fill in (ProseMirror's JSON). */
export interface EditorDocument {
  type: 'doc';
  content: { type: 'paragraph'; content?: EditorNode[] }[];
}
export type EditorNode = { type: 'text'; text: string } | { type: 'place'; attrs: { field: string; fallback: string } };

/** Each line of a template is a paragraph of the editor. */
export function documentOf(pieces: readonly Piece[]): EditorDocument {
  const lines: EditorNode[][] = [[]];
  for (const piece of pieces) {
    if (typeof piece !== 'string') {
      lines.at(-1)!.push({ type: 'place', attrs: { field: piece.field, fallback: piece.fallback } });
      continue;
    }
    for (const [place, text] of piece.split('\n').entries()) {
      if (place > 0) lines.push([]);
      if (text) lines.at(-1)!.push({ type: 'text', text });
    }
  }
  return {
    type: 'doc',
    content: lines.map((content) => (content.length > 0 ? { type: 'paragraph', content } : { type: 'paragraph' })),
  };
}

/** The same back; texts that follow each other are one. */
export function piecesOf({ content }: EditorDocument): Piece[] {
  const pieces: Piece[] = [];
  const say = (text: string) => {
    const last = pieces.at(-1);
    if (typeof last === 'string') pieces[pieces.length - 1] = last + text;
    else pieces.push(text);
  };
  for (const [place, paragraph] of content.entries()) {
    if (place > 0) say('\n');
    for (const node of paragraph.content ?? []) {
      if (node.type === 'text') say(node.text);
      else pieces.push({ field: node.attrs.field as Exclude<Piece, string>['field'], fallback: node.attrs.fallback });
    }
  }
  return pieces;
}
