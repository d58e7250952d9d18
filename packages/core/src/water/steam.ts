import { LATENT_J_PER_KG } from './saturation.js';

/** Heat a pan loses to the room by its walls, W/K. Common practice. */
export const LOSS_W_PER_K = 3;
/** Kitchen air, C. Common practice. */
export const ROOM_C = 21;

/** Water a pan at a rolling boil gives off, kg/h. @param net_W heat into the pot, 300 to 5000 */
export const panLoss_kgPerH = (net_W: number, boilsAt_C = 101): number =>
  (Math.max(net_W - LOSS_W_PER_K * (boilsAt_C - ROOM_C), 0) / LATENT_J_PER_KG) * 3600;

/**
 * Heat that makes a pot at its boil lose so much water, with what its walls lose to the room, W.
 */
export const heatForLoss_W = (loss_kgPerH: number, boilsAt_C = 101): number =>
  (loss_kgPerH * LATENT_J_PER_KG) / 3600 + LOSS_W_PER_K * (boilsAt_C - ROOM_C);
