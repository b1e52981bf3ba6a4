/** The pages of the week, which come together: going from one to the next shows no waiting. */
export { StashPage } from './pages/stash/stash-page';
export { LotPage } from './pages/stash/lot-page';
export { CuttingPage } from './pages/cutting/cutting-page';
export { PlanCuttingPage } from './pages/cutting/plan-cutting-page';
export { SessionPage } from './pages/cutting/session-page';
export { OrdersPage } from './pages/orders/orders-page';
export { NewOrderPage } from './pages/orders/new-order-page';
export { OrderPage } from './pages/orders/order-page';
export { BenchTimePage } from './pages/bench-time/bench-time-page';
export { BuyingPage } from './pages/buying/buying-page';
export { KitsPage } from './pages/kits/kits-page';
export { KitPage } from './pages/kits/kit-page';
export { InstrumentsPage } from './pages/instruments/instruments-page';
export { ListsPage } from './pages/lists/lists-page';
export { VersionsPage } from './pages/versions/versions-page';
export { SizesPage } from './pages/sizes/sizes-page';
