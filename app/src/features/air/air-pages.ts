export { AirRoute } from './AirRoute';
export { Hygrometers } from './Hygrometers';
export { HygrometerRoute } from './HygrometerScreen';
export { Keeping } from './Keeping';
export { Moving } from './Moving';
export { AddPlace, ChangePlace } from './PlaceForm';
export { SaltCheckRoute } from './SaltCheck';
export { WhatToDo } from './WhatToDo';
export { WoodRoute } from './Wood';
