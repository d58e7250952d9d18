import { Global, Module } from '@nestjs/common';
import { SequelizeModule } from '@nestjs/sequelize';
import { Household } from './household.model.js';
import { HouseholdService } from './household.service.js';

@Global()
@Module({
  imports: [SequelizeModule.forFeature([Household])],
  providers: [HouseholdService],
  exports: [HouseholdService],
})
export class HouseholdModule {}
