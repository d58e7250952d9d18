export { LID_SUPPLY, type Need, needsOf, sumOfNeeds } from './needs.js';
export {
  type BatchCost,
  costOf,
  type ShoppingItem,
  shoppingList,
  stockLeft,
  type Supply,
} from './stock.js';
