export { type Choosable, type FilledStep, fillTemplate, TEMPLATES, templatesFor } from './fill.ts';
export type { Template, TemplateStep } from './template.ts';
