import 'reflect-metadata';
import { parentPort, workerData } from 'node:worker_threads';
import { Sequelize } from 'sequelize-typescript';
import { connectionOptions } from '../database/connect.js';
import { ProblemException } from '../http/problem.filter.js';
import type { TakeAnswer, TakeOrder } from './import.service.js';
import { takeFile } from './take-file.js';

const { databaseUrl, ...file } = workerData as TakeOrder;
const sequelize = new Sequelize(databaseUrl, { ...connectionOptions, pool: { max: 1, min: 0 } });

async function answer(): Promise<TakeAnswer> {
  try {
    return { taken: await takeFile(file, sequelize) };
  } catch (error) {
    if (!(error instanceof ProblemException)) throw error;
    const { code, detail, extra } = error;
    return { problem: { code, detail, extra } };
  } finally {
    await sequelize.close();
  }
}

parentPort?.postMessage(await answer());
