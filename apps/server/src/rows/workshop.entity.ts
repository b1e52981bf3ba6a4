import { BackupPlanDto, PricingDto, SettingsDto, WeekDto } from '@coiled-strand/contract';
import { Column, CreateDateColumn, Entity, PrimaryGeneratedColumn } from 'typeorm';

@Entity('workshop')
export class Workshop {
  @PrimaryGeneratedColumn('uuid')
  id!: string;

  @Column('text')
  name!: string;

  @Column('text')
  maker!: string;

  @Column('json')
  settings!: SettingsDto;

  /** null until it was told. */
  @Column('json', { nullable: true })
  week!: WeekDto | null;

  @Column('json', { nullable: true })
  pricing!: PricingDto | null;

  /** When copies are made; null until it was told. */
  @Column('json', { nullable: true })
  backup!: BackupPlanDto | null;

  @CreateDateColumn({ name: 'created_at', type: 'timestamptz' })
  createdAt!: Date;
}
