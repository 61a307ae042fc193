'use client';

export { PageError as default } from '@/features/workspace';
