/** Before every component test: a busy machine is no failure, so what is waited for has five seconds. */
import { configure } from '@testing-library/react';

configure({ asyncUtilTimeout: 5000 });
