import type { LeftWhy, PeopleChange, PeopleChangeState } from '@dossier/contract';
import type { ChangeableRecord } from '@dossier/core/people/changes';
import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Account, Workspace } from '../../account';
import { Person } from '../entities';

/** A change of many people at once. */
@Entity('people_change')
@Index('people_change_workspace', ['workspaceId', 'at'])
@Index('people_change_maker', ['madeBy'])
export class PeopleChangeRecord {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'people_change_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'people_change_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'made_by', type: 'uuid' })
  madeBy!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'made_by', foreignKeyConstraintName: 'people_change_maker_fk' })
  maker?: Relation<Account>;
  @Column({ type: 'timestamptz' })
  at!: Date;
  @Column({ type: 'jsonb' })
  what!: PeopleChange;
  @Column({ type: 'text' })
  state!: PeopleChangeState['state'];
}

/** What a change of many keeps of one person to take it back. */
export interface KeptState extends ChangeableRecord {
  occasionId: string | null;
  /** The card whose occasion it is. */
  cardId: string | null;
  noteId: string | null;
  /** A plan that it put them into. */
  planId?: string | null;
  deleted: boolean;
}

/** Not reached yet, changed, so already, left as they are, as they were before; and left as they are though it was taken back. */
export type RowState = 'waiting' | 'changed' | 'same' | 'left' | 'undone' | 'kept';

/** One of the people whom a change of many is about. */
@Entity('people_change_row')
@Index('people_change_row_person', ['personId'])
@Index('people_change_row_state', ['changeId', 'state', 'personId'])
@Index('people_change_row_workspace', ['workspaceId'])
export class PeopleChangeRow {
  @PrimaryColumn({ name: 'change_id', type: 'uuid', primaryKeyConstraintName: 'people_change_row_pkey' })
  changeId!: string;
  @ManyToOne(() => PeopleChangeRecord, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'change_id', foreignKeyConstraintName: 'people_change_row_change_fk' })
  change?: Relation<PeopleChangeRecord>;
  @PrimaryColumn({ name: 'person_id', type: 'uuid', primaryKeyConstraintName: 'people_change_row_pkey' })
  personId!: string;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'people_change_row_person_fk' })
  person?: Relation<Person>;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'people_change_row_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'text' })
  state!: RowState;
  /** Why somebody was left as they were, or as they are now. */
  @Column({ type: 'text', nullable: true })
  why!: LeftWhy | null;
  /** The field that stands against taking it back. */
  @Column({ type: 'text', nullable: true })
  field!: string | null;
  @Column({ type: 'jsonb', nullable: true })
  before!: KeptState | null;
  @Column({ type: 'jsonb', nullable: true })
  after!: KeptState | null;
}
