package cook

// FileProbe begins the name of what a thermometer's own file holds.
const FileProbe = "file-"
