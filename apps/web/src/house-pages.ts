/** Who is in the house, and how it is kept. */
export { AccountPage } from './features/house/pages/account/account-page';
export { LinkPage } from './features/house/pages/account/link-page';
export { PeoplePage } from './features/house/pages/people/people-page';
export { PersonalDataPage } from './features/house/pages/people/personal-data-page';
export { TrailPage } from './features/house/pages/people/trail-page';
export { BackupsPage } from './features/house/pages/people/backups-page';
