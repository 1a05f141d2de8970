import 'reflect-metadata';
import { serve } from './serve.ts';

await serve(process.env);
