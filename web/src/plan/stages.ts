/** The stage of the format as the address and the rail name it. */
export const stageId = (stage: string): string => stage.toLowerCase().replaceAll("_", "-");

/** A stage in words. */
export const stageName = (stage: string): string => {
  const text = stage.toLowerCase().replaceAll("_", " ").replaceAll("-", " ");
  return text[0]!.toUpperCase() + text.slice(1);
};
