import { config, z } from 'zod';

// The pages' policy lets nothing be made into code; without trying that first no browser complains of it.
config({ jitless: true });

export { z };
