/** Who is in the house, and how it is kept. */
export { AccountPage } from './pages/account/account-page';
export { LinkPage } from './pages/account/link-page';
export { PeoplePage } from './pages/people/people-page';
export { PersonalDataPage } from './pages/people/personal-data-page';
export { TrailPage } from './pages/people/trail-page';
export { BackupsPage } from './pages/people/backups-page';
