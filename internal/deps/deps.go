package deps

import (
	_ "github.com/gin-contrib/gzip"
	_ "github.com/gin-gonic/gin"
	_ "github.com/glebarez/sqlite"
	_ "github.com/go-gormigrate/gormigrate/v2"
	_ "github.com/invopop/jsonschema"
	_ "github.com/santhosh-tekuri/jsonschema/v6"
	_ "github.com/spf13/cobra"
	_ "github.com/stretchr/testify/require"
	_ "gorm.io/gorm"
	_ "pgregory.net/rapid"
)
