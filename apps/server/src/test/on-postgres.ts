import { engineVariable } from './test-database.ts';

process.env[engineVariable] = 'PostgreSQL';
