/** Differences below this are rounding, seconds. */
export const NO_GAIN = 1e-9;

/** The order that is judged the cheapest; among equals the first, so that an order is only left for a better one. */
export function leastOf(orders: readonly (readonly number[])[], judge: (order: readonly number[]) => number): number[] {
  let [best, least] = [orders[0]!, judge(orders[0]!)];
  for (const order of orders.slice(1)) {
    const cost = judge(order);
    if (cost < least - NO_GAIN) [best, least] = [order, cost];
  }
  return best.slice();
}
