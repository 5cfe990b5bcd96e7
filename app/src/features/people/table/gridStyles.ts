import type { CSSProperties } from 'react';
import { NAME_COLUMN, type PeopleColumn } from './columns';

export const ROW_HEIGHT = 44;
const LAYER_HEAD = 3;
const LAYER_NAME = 1;
export const rowStyle = (template: string): CSSProperties => ({
  position: 'absolute',
  top: 0,
  left: 0,
  display: 'grid',
  gridTemplateColumns: template,
  height: ROW_HEIGHT,
});
export const headStyle = (template: string): CSSProperties => ({
  ...rowStyle(template),
  position: 'sticky',
  width: 'max-content',
  minWidth: '100%',
  zIndex: LAYER_HEAD,
});
export const cellStyle = (column: PeopleColumn): CSSProperties => ({
  position: column.id === NAME_COLUMN.id ? 'sticky' : 'relative',
  left: column.id === NAME_COLUMN.id ? 0 : undefined,
  zIndex: column.id === NAME_COLUMN.id ? LAYER_NAME : undefined,
  display: 'flex',
  alignItems: 'center',
  minWidth: 0,
  padding: '0 10px',
  // Only the name is never written in; words about a cell stand under it.
  overflow: column.id === NAME_COLUMN.id ? 'hidden' : undefined,
  outlineOffset: -2,
});
export const ONE_LINE: CSSProperties = { overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' };
