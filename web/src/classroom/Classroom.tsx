// The pages of a class: one part of the application, fetched when it is wanted.
export { ClassBoard } from './ClassBoard';
export { ClassesPage } from './ClassesPage';
export { ClassPage } from './ClassPage';
export { ProgressPage } from './ProgressPage';
export { WallPage } from './WallPage';
