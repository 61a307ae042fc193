/** Shared views of the domain: figures with their arithmetic, ranges, marks, limits, what files bring. */
export { Figure } from './arithmetic';
export { angleAxes, angleTicks, axisLabel } from './angleAxis';
export { FittingLenses } from './FittingLenses';
export { HelpLink } from './HelpLink';
export { LeftOutList } from './LeftOutList';
export { PlacesContext } from './places';
export { readFile } from './readFile';
export { besideAddress, besideHref, besideKeys } from './besideHref';
export { carriedNow } from './carriedNow';
export { GapText, OverlapText, Ranges } from './Ranges';
export { type BandRow, RangeBands } from './RangeBands';
export { type FrameState, StateMark } from './StateMark';
export { type Choices, TakingList } from './taking';
export { isWithViews, PAGE_VIEWS, viewHref } from './pageViews';
export { UnderWay } from './UnderWay';
export { UsualLimitFields } from './UsualLimitFields';
export { Views } from './Views';
