export { chooseTool, type ToolCandidate, type ToolChoice } from './chooseTool';
export { judgeTool, type ToolState } from './judgeTool';
export { NEST_PROFILES, TOOL_KINDS, type Nest, type NestProfile, type Tool, type ToolCheck } from './Tool';
