import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { InjectConnection, InjectModel } from '@nestjs/sequelize';
import { Sequelize } from 'sequelize-typescript';
import {
  emptyGear,
  kitchenOf,
  type KitchenGear,
  type SaveKitchen,
  type KitchenView,
} from '@idle-kettle/contract';
import type { Kitchen as KnownKitchen } from '@idle-kettle/core';
import { Clock } from '../clock/clock.js';
import { HouseholdService } from '../households/household.service.js';
import { notFound, ProblemException } from '../http/problem.filter.js';
import { Kitchen } from './kitchen.model.js';
import { PreparedService } from './prepared.service.js';

const view = (kitchen: Kitchen): KitchenView => ({
  id: kitchen.id,
  name: kitchen.name,
  altitude_m: kitchen.altitude_m,
  boilingPoint_C: kitchen.boilingPoint_C,
  boilingPointMeasuredAt: kitchen.boilingPointMeasuredAt?.toISOString() ?? null,
  pressure_kPa: kitchen.pressure_kPa,
  pressureReadAt: kitchen.pressureReadAt?.toISOString() ?? null,
  southern: kitchen.southern,
  gear: { ...emptyGear(), ...kitchen.gear },
  units: kitchen.units,
  temperatureUnit: kitchen.temperatureUnit,
  updatedAt: kitchen.updatedAt.toISOString(),
});

@Injectable()
export class KitchenService {
  constructor(
    @InjectConnection() private readonly sequelize: Sequelize,
    @InjectModel(Kitchen) private readonly kitchens: typeof Kitchen,
    private readonly households: HouseholdService,
    private readonly prepared: PreparedService,
    private readonly clock: Clock,
  ) {}

  /**
   * Every kitchen of the household, the one in use first; the first request makes one whose
   * altitude is not known yet.
   */
  async list(): Promise<KitchenView[]> {
    const householdId = await this.households.current();
    const found = await this.kitchens.findAll({
      where: { householdId },
      order: [['usedAt', 'DESC']],
    });
    return (found.length > 0 ? found : [await this.first()]).map(view);
  }

  /** The first kitchen of a household, made once however many ask for it at the same time. */
  private async first(): Promise<Kitchen> {
    return this.sequelize.transaction(async (transaction) => {
      const householdId = await this.households.hold(transaction);
      const unknown = {
        altitude_m: null,
        boilingPoint_C: null,
        boilingPointMeasuredAt: null,
        pressure_kPa: null,
        pressureReadAt: null,
      } as const;
      return (
        (await this.kitchens.findOne({ where: { householdId }, transaction })) ??
        this.kitchens.create(
          {
            id: randomUUID(),
            householdId,
            name: 'Home',
            ...unknown,
            units: 'metric',
            temperatureUnit: 'C',
            usedAt: this.clock.now(),
          },
          { transaction },
        )
      );
    });
  }

  /** The kitchen in use as the computation takes it, as far as the household has said. */
  async inUse(): Promise<KnownKitchen> {
    const settings = await this.settingsInUse();
    return kitchenOf(settings, this.clock.now().getTime(), await this.prepared.list());
  }

  /** The same as its maker set it: the one used last. */
  async settingsInUse(): Promise<KitchenView> {
    const [kitchen] = await this.list();
    if (!kitchen) throw new Error('a household has a kitchen from its first request on');
    return kitchen;
  }

  /** From now on everything is computed for this kitchen. */
  async use(id: string): Promise<KitchenView> {
    const kitchen = await this.find(id);
    // Its settings are as old as they were.
    await kitchen.update({ usedAt: await this.usedNow(kitchen.householdId) }, { silent: true });
    return view(kitchen);
  }

  /** After every other was used, even where the clock went back since. */
  private async usedNow(householdId: string): Promise<Date> {
    const latest = await this.kitchens.max<Date | null, Kitchen>('usedAt', {
      where: { householdId },
    });
    return new Date(Math.max(this.clock.now().getTime(), (latest?.getTime() ?? 0) + 1));
  }

  /** Removes a place that is not cooked at any more; the last one stays. */
  async remove(id: string): Promise<void> {
    await this.sequelize.transaction(async (transaction) => {
      const householdId = await this.households.hold(transaction);
      const kitchen = await this.kitchens.findOne({ where: { id, householdId }, transaction });
      if (!kitchen) throw notFound('kitchen');
      if ((await this.kitchens.count({ where: { householdId }, transaction })) < 2)
        throw new ProblemException(
          'not-now',
          'this is the only kitchen; add another before you delete it',
        );
      await kitchen.destroy({ transaction });
    });
  }

  /**
   * Keeps the settings of a kitchen; an id not seen before is a new one. What the message leaves
   * out stays as it is.
   */
  async save(id: string, { seenAt, ...settings }: SaveKitchen): Promise<KitchenView> {
    const householdId = await this.households.current();
    const measuredAt = settings.boilingPoint_C === null ? null : settings.boilingPointMeasuredAt;
    const { pressure_kPa, pressureReadAt, southern, gear } = settings;
    const values = {
      name: settings.name,
      altitude_m: settings.altitude_m,
      boilingPoint_C: settings.boilingPoint_C,
      boilingPointMeasuredAt: measuredAt ? new Date(measuredAt) : null,
      units: settings.units,
      temperatureUnit: settings.temperatureUnit,
      ...(pressure_kPa !== undefined && { pressure_kPa }),
      ...(pressureReadAt !== undefined && {
        pressureReadAt: pressureReadAt && pressure_kPa !== null ? new Date(pressureReadAt) : null,
      }),
      ...(southern !== undefined && { southern }),
      ...(gear !== undefined && { gear: JSON.parse(JSON.stringify(gear)) as KitchenGear }),
    };
    const [kitchen, isNew] = await this.kitchens.findOrCreate({
      where: { id },
      defaults: {
        id,
        householdId,
        pressure_kPa: null,
        pressureReadAt: null,
        usedAt: await this.usedNow(householdId),
        ...values,
      },
    });
    if (kitchen.householdId !== householdId) throw notFound('kitchen');
    if (!isNew && seenAt !== undefined && Date.parse(seenAt) !== kitchen.updatedAt.getTime())
      throw new ProblemException(
        'revision-conflict',
        'this kitchen was changed on another device meanwhile; look at it again, then make your change',
        { current: view(kitchen) },
      );
    if (!isNew) await kitchen.update(values);
    return view(await kitchen.reload());
  }

  private async find(id: string): Promise<Kitchen> {
    const kitchen = await this.kitchens.findOne({
      where: { id, householdId: await this.households.current() },
    });
    if (!kitchen) throw notFound('kitchen');
    return kitchen;
  }
}
