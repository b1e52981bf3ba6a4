/** The pages of the week, which come together: going from one to the next shows no waiting. */
export { StashPage } from './features/workshop/pages/stash/stash-page';
export { LotPage } from './features/workshop/pages/stash/lot-page';
export { CuttingPage } from './features/workshop/pages/cutting/cutting-page';
export { PlanCuttingPage } from './features/workshop/pages/cutting/plan-cutting-page';
export { SessionPage } from './features/workshop/pages/cutting/session-page';
export { OrdersPage } from './features/workshop/pages/orders/orders-page';
export { NewOrderPage } from './features/workshop/pages/orders/new-order-page';
export { OrderPage } from './features/workshop/pages/orders/order-page';
export { BenchTimePage } from './features/workshop/pages/bench-time/bench-time-page';
export { BuyingPage } from './features/workshop/pages/buying/buying-page';
export { KitsPage } from './features/workshop/pages/kits/kits-page';
export { KitPage } from './features/workshop/pages/kits/kit-page';
export { InstrumentsPage } from './features/workshop/pages/instruments/instruments-page';
export { ListsPage } from './features/workshop/pages/lists/lists-page';
export { VersionsPage } from './features/piece/pages/versions/versions-page';
export { SizesPage } from './features/piece/pages/sizes/sizes-page';
