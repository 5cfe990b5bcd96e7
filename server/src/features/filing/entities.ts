import { Column, Entity, Index, JoinColumn, ManyToOne, OneToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Workspace } from '../account';
import { Company } from '../people';
import { Card } from '../reading';

/** How well a card was read, as it turned out when it was filed. */
@Entity('proof_fact')
@Index('proof_fact_workspace', ['workspaceId', 'at'])
@Index('proof_fact_company', ['companyId'])
export class ProofFactRecord {
  @PrimaryColumn({ name: 'card_id', type: 'uuid', primaryKeyConstraintName: 'proof_fact_pkey' })
  cardId!: string;
  @OneToOne(() => Card, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'card_id', foreignKeyConstraintName: 'proof_fact_card_fk' })
  card?: Relation<Card>;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'proof_fact_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'timestamptz' })
  at!: Date;
  @Column({ name: 'by_itself', type: 'boolean' })
  byItself!: boolean;
  /** Fields that the engine was unsure of. */
  @Column({ type: 'smallint' })
  doubts!: number;
  /** Fields that were filed otherwise than they were read. */
  @Column({ type: 'text', array: true })
  corrected!: string[];
  /** Fields that were filed and not read at all. */
  @Column({ type: 'text', array: true })
  missed!: string[];
  @Column({ name: 'company_id', type: 'uuid', nullable: true })
  companyId!: string | null;
  @ManyToOne(() => Company, { onDelete: 'SET NULL' })
  @JoinColumn({ name: 'company_id', foreignKeyConstraintName: 'proof_fact_company_fk' })
  company?: Relation<Company> | null;
}
