export { Mark, verdictOfSeverity } from './Mark';
export { temperatureColour } from './temperature';
export { StationIcon } from './StationIcon';
export { QuantityField } from './QuantityField';
export { Segments, Pick, type Option } from './Choice';
export { Why, type Reason } from './Why';
export { ThemeSwitch } from './ThemeSwitch';
export { PageHead } from './PageHead';
export { Progress } from './Progress';
