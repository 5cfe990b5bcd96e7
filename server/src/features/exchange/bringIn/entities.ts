import type { ImportRule, ImportState, RowOutcome } from '@dossier/contract';
import type { CellConflict, IncomingPerson, Mapping } from '@dossier/core/exchange/files';
import type { ChangeableRecord } from '@dossier/core/people/changes';
import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Account, Workspace } from '../../account';
import { Person } from '../../people';

/** A file of people that somebody brings in. */
@Entity('import_file')
@Index('import_file_workspace', ['workspaceId', 'madeAt'])
@Index('import_file_maker', ['madeBy'])
export class ImportFile {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'import_file_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'import_file_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'made_by', type: 'uuid' })
  madeBy!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'made_by', foreignKeyConstraintName: 'import_file_maker_fk' })
  maker?: Relation<Account>;
  @Column({ name: 'made_at', type: 'timestamptz' })
  madeAt!: Date;
  @Column({ type: 'text' })
  name!: string;
  @Column({ type: 'text' })
  format!: 'vcard' | 'csv' | 'xlsx' | 'json';
  @Column({ type: 'text' })
  state!: ImportState;
  /** Whether rows are only looked at, nothing written. */
  @Column({ type: 'boolean', default: false })
  dry!: boolean;
  /** The first row of a table, where it says what stands in the columns. */
  @Column({ type: 'jsonb', nullable: true })
  head!: string[] | null;
  @Column({ type: 'jsonb' })
  mapping!: Mapping;
  @Column({ type: 'text' })
  rule!: ImportRule;
  @Column({ name: 'row_count', type: 'integer' })
  rowCount!: number;
  @Column({ type: 'text', nullable: true })
  problem!: string | null;
}

/** Who a row perhaps is. */
export interface RowCandidate {
  id: string;
  likelihood: number;
}

/** One row of such a file, and what became of it. */
@Entity('import_row')
@Index('import_row_outcome', ['importId', 'outcome', 'number'])
@Index('import_row_person', ['personId'])
@Index('import_row_workspace', ['workspaceId'])
export class ImportRowRecord {
  @PrimaryColumn({ name: 'import_id', type: 'uuid', primaryKeyConstraintName: 'import_row_pkey' })
  importId!: string;
  @ManyToOne(() => ImportFile, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'import_id', foreignKeyConstraintName: 'import_row_import_fk' })
  file?: Relation<ImportFile>;
  @PrimaryColumn({ type: 'integer', primaryKeyConstraintName: 'import_row_pkey' })
  number!: number;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'import_row_workspace_fk' })
  workspace?: Relation<Workspace>;
  /** The cells of a table, or a person of a file of vCards. */
  @Column({ type: 'jsonb' })
  given!: string[] | IncomingPerson;
  /** Null until it has been gone through. */
  @Column({ type: 'text', nullable: true })
  outcome!: RowOutcome | null;
  @Column({ name: 'person_id', type: 'uuid', nullable: true })
  personId!: string | null;
  /** Whoever is forgotten for good is forgotten here too. */
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'import_row_person_fk' })
  person?: Relation<Person> | null;
  @Column({ name: 'note_id', type: 'uuid', nullable: true })
  noteId!: string | null;
  @Column({ type: 'jsonb', default: [] })
  faults!: { key: string; fault: string }[];
  @Column({ type: 'jsonb', default: [] })
  conflicts!: CellConflict[];
  @Column({ type: 'jsonb', default: [] })
  candidates!: RowCandidate[];
  /** The person before, and as this row left them; without the first they were made by it. */
  @Column({ type: 'jsonb', nullable: true })
  before!: ChangeableRecord | null;
  @Column({ type: 'jsonb', nullable: true })
  after!: ChangeableRecord | null;
  /** As they were before; or left as they are though it was taken back. */
  @Column({ type: 'text', nullable: true })
  undone!: 'undone' | 'kept' | null;
}
