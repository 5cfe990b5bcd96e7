import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Workspace } from '../account';
import { Card } from '../reading';

/** A colleague asked to look at a card; open until answered. */
@Entity('second_look')
@Index('second_look_open', ['cardId'], { unique: true, where: 'answered_at IS NULL' })
@Index('second_look_asked_of', ['askedOf', 'answeredAt'])
@Index('second_look_asked_by', ['askedBy', 'seenAt'])
export class SecondLook {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'second_look_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'second_look_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'card_id', type: 'uuid' })
  cardId!: string;
  @ManyToOne(() => Card, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'card_id', foreignKeyConstraintName: 'second_look_card_fk' })
  card?: Relation<Card>;
  @Column({ name: 'asked_by', type: 'uuid' })
  askedBy!: string;
  @Column({ name: 'asked_of', type: 'uuid' })
  askedOf!: string;
  @Column({ type: 'text' })
  message!: string;
  @Column({ name: 'asked_at', type: 'timestamptz' })
  askedAt!: Date;
  @Column({ name: 'answered_by', type: 'uuid', nullable: true })
  answeredBy!: string | null;
  @Column({ type: 'text', nullable: true })
  answer!: string | null;
  @Column({ name: 'answered_at', type: 'timestamptz', nullable: true })
  answeredAt!: Date | null;
  /** When whoever asked has seen the answer. */
  @Column({ name: 'seen_at', type: 'timestamptz', nullable: true })
  seenAt!: Date | null;
}
