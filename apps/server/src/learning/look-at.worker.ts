import { parentPort } from 'node:worker_threads';
import { lookAt, type BoilToLookAt } from './look-at.js';

parentPort?.on('message', (boil: BoilToLookAt) => parentPort?.postMessage(lookAt(boil)));
