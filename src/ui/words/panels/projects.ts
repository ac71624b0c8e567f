/** Labels of the list of projects. */
export const projectsWords = {
  someStoredRecords: 'Some stored records cannot be read. The others are not affected.',
  rename: 'Rename',
  duplicate: 'Duplicate',
  export: 'Export',
  delete: 'Delete',
  saveAsIt: 'Save as it is',
  yemko: 'Yemko',
  lightControlledCircuits: 'Light-controlled circuits that switch at the brightness you mean',
  projects: 'Projects',
  importAFile: 'Import a file',
  newProject: 'New project',
  undo: 'Undo',
  newProject2: 'new project',
  bringBackThe: 'Bring back the sample projects',
  aDamagedProject: 'A damaged project',
  aProjectNeeds: 'A project needs a name.',
} as const;
