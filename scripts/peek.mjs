import { mkdirSync } from 'node:fs';
import { chromium } from 'playwright-core';
