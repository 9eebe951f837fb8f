package api

//go:generate go tool oapi-codegen -config oapi-codegen.yaml ../../api/openapi.yaml
