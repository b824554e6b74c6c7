/// <reference lib="webworker" />
import { expose } from 'comlink';
import { layoutFlow } from './elk-layout';

expose({ layout: layoutFlow });
