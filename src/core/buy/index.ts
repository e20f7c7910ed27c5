export type { Feed, Offer, Shop, Wanted } from './types';
export { cheapestBasket, type Basket, type BasketLine, type BasketShop } from './basket';
export { spareAdvice, type Spare } from './spares';
export { stepOf, stepWaits, WORK_STEPS, type Arrival, type StepWait, type WorkStep } from './waits';
export { wishes, type Wish } from './wishes';
