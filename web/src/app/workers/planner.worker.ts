/// <reference lib="webworker" />
import { expose } from 'comlink';
import { createPlanner } from './planner-api';

expose(createPlanner());
