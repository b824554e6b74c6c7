/// <reference lib="webworker" />
import { expose } from 'comlink';
import { createRouter } from './router-api';

expose(createRouter());
