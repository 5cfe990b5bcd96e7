import type { Evidence, FrequencyTable, Learned } from '@dossier/core/matching/people';
import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Workspace } from '../account';
import { Person } from '../people';

/** How frequent names and firms are in a workspace, and how records of one person differ there. */
@Entity('match_model')
export class MatchModelRow {
  @PrimaryColumn({ name: 'workspace_id', type: 'uuid', primaryKeyConstraintName: 'match_model_pkey' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'match_model_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'jsonb' })
  frequencies!: FrequencyTable;
  @Column({ type: 'jsonb' })
  learned!: Learned;
  @Column({ type: 'timestamptz' })
  at!: Date;
}

/** One search through all people of a workspace. */
@Entity('sweep')
@Index('sweep_latest', ['workspaceId', 'startedAt'])
export class SweepRow {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'sweep_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'sweep_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'text' })
  state!: 'waiting' | 'running' | 'done' | 'cancelled' | 'failed';
  /** Share that is done, 0–1. */
  @Column({ type: 'real' })
  progress!: number;
  @Column({ type: 'integer' })
  people!: number;
  @Column({ name: 'started_at', type: 'timestamptz' })
  startedAt!: Date;
  @Column({ name: 'finished_at', type: 'timestamptz', nullable: true })
  finishedAt!: Date | null;
}

/** Two people that the latest search found alike; the smaller id first. */
@Entity('duplicate')
@Index('duplicate_one', ['oneId'])
@Index('duplicate_other', ['otherId'])
export class DuplicateRow {
  @PrimaryColumn({ name: 'workspace_id', type: 'uuid', primaryKeyConstraintName: 'duplicate_pkey' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'duplicate_workspace_fk' })
  workspace?: Relation<Workspace>;
  @PrimaryColumn({ name: 'one_id', type: 'uuid', primaryKeyConstraintName: 'duplicate_pkey' })
  oneId!: string;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'one_id', foreignKeyConstraintName: 'duplicate_one_fk' })
  one?: Relation<Person>;
  @PrimaryColumn({ name: 'other_id', type: 'uuid', primaryKeyConstraintName: 'duplicate_pkey' })
  otherId!: string;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'other_id', foreignKeyConstraintName: 'duplicate_other_fk' })
  other?: Relation<Person>;
  @Column({ type: 'real' })
  likelihood!: number;
  @Column({ type: 'text' })
  band!: 'same' | 'perhaps';
  @Column({ name: 'new_job', type: 'boolean' })
  newJob!: boolean;
  @Column({ type: 'jsonb' })
  evidence!: Evidence[];
}
