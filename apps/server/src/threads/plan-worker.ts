import { planJob } from '@early-lantern/core';

export default planJob;
