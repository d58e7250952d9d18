import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { InjectModel } from '@nestjs/sequelize';
import type { KitchenSettings, KitchenView } from '@idle-kettle/contract';
import type { Place } from '@idle-kettle/core';
import { HouseholdService } from '../households/household.service.js';
import { notFound } from '../http/problem.filter.js';
import { Kitchen } from './kitchen.model.js';

const view = (kitchen: Kitchen): KitchenView => ({
  id: kitchen.id,
  name: kitchen.name,
  altitude_m: kitchen.altitude_m,
  boilingPoint_C: kitchen.boilingPoint_C,
  boilingPointMeasuredAt: kitchen.boilingPointMeasuredAt?.toISOString() ?? null,
  units: kitchen.units,
  temperatureUnit: kitchen.temperatureUnit,
  updatedAt: kitchen.updatedAt.toISOString(),
});

@Injectable()
export class KitchenService {
  constructor(
    @InjectModel(Kitchen) private readonly kitchens: typeof Kitchen,
    private readonly households: HouseholdService,
  ) {}

  /** Every kitchen of the household, oldest first; the first request makes one whose altitude is not known yet. */
  async list(): Promise<KitchenView[]> {
    const householdId = await this.households.current();
    const found = await this.kitchens.findAll({ where: { householdId }, order: [['createdAt', 'ASC']] });
    if (found.length > 0) return found.map(view);
    const made = await this.kitchens.create({
      id: randomUUID(),
      householdId,
      name: 'Home',
      altitude_m: null,
      boilingPoint_C: null,
      boilingPointMeasuredAt: null,
      units: 'metric',
      temperatureUnit: 'C',
    });
    return [view(made)];
  }

  /** Where the household's kettle stands, as far as it has said. */
  async place(): Promise<Place> {
    const [kitchen] = await this.list();
    return {
      ...(kitchen?.altitude_m != null && { altitude_m: kitchen.altitude_m }),
      ...(kitchen?.boilingPoint_C != null && { boilingPoint_C: kitchen.boilingPoint_C }),
    };
  }

  async save(id: string, settings: KitchenSettings): Promise<KitchenView> {
    const kitchen = await this.kitchens.findOne({
      where: { id, householdId: await this.households.current() },
    });
    if (!kitchen) throw notFound('kitchen');
    const measuredAt = settings.boilingPoint_C === null ? null : settings.boilingPointMeasuredAt;
    await kitchen.update({
      name: settings.name,
      altitude_m: settings.altitude_m,
      boilingPoint_C: settings.boilingPoint_C,
      boilingPointMeasuredAt: measuredAt ? new Date(measuredAt) : null,
      units: settings.units,
      temperatureUnit: settings.temperatureUnit,
    });
    return view(kitchen);
  }
}
