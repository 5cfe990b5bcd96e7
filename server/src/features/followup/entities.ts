import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Account, Workspace } from '../account';
import { Person } from '../people';

/** Something to do about a person. */
@Entity('task')
@Index('task_person', ['personId'])
@Index('task_workspace', ['workspaceId'])
@Index('task_maker', ['madeBy'])
export class Task {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'task_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'task_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'person_id', type: 'uuid' })
  personId!: string;
  @ManyToOne(() => Person, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'person_id', foreignKeyConstraintName: 'task_person_fk' })
  person?: Relation<Person>;
  @Column({ type: 'text' })
  text!: string;
  @Column({ name: 'due_on', type: 'date', nullable: true })
  dueOn!: string | null;
  @Column({ name: 'made_by', type: 'uuid' })
  madeBy!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'made_by', foreignKeyConstraintName: 'task_maker_fk' })
  maker?: Relation<Account>;
  @Column({ name: 'made_at', type: 'timestamptz' })
  madeAt!: Date;
  /** Null as long as it is open. */
  @Column({ name: 'done_at', type: 'timestamptz', nullable: true })
  doneAt!: Date | null;
}
