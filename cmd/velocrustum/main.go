// Velocrustum plans, guides and remembers air-fried cooks.
package main

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"log/slog"
	"net"
	"net/http"
	"os"
	"os/signal"
	"path/filepath"
	"syscall"
	"time"

	"github.com/spf13/cobra"

	"velocrustum/core/program"
	"velocrustum/core/refuse"
	"velocrustum/internal/api"
	"velocrustum/internal/clock"
	"velocrustum/internal/demo"
	"velocrustum/internal/store"
	"velocrustum/web"
)

// errInput marks what the caller can mend: exit 2.
var errInput = errors.New("bad input")

func main() {
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
	err := root().ExecuteContext(ctx)
	stop()
	switch {
	case errors.Is(err, errInput):
		os.Exit(2)
	case err != nil:
		fmt.Fprintln(os.Stderr, "velocrustum:", err)
		os.Exit(1)
	}
}

func root() *cobra.Command {
	c := &cobra.Command{
		Use:           "velocrustum",
		Short:         "Plans, guides and remembers air-fried cooks",
		SilenceErrors: true, SilenceUsage: true,
	}
	c.AddCommand(serveCommand(), demoCommand(), simulateCommand(), recommendCommand(), backupCommand())
	return c
}

func defaultDB() string {
	dir, err := os.UserConfigDir()
	if err != nil {
		dir = "."
	}
	return filepath.Join(dir, "velocrustum", "velocrustum.db")
}

type serveFlags struct {
	db, addr string
	verbose  bool
	reset    bool
}

func (f *serveFlags) add(c *cobra.Command, db, addr string) {
	c.Flags().StringVar(&f.db, "db", db, "database file")
	c.Flags().StringVar(&f.addr, "addr", addr, "address to listen on; other than loopback only with VELOCRUSTUM_PASSPHRASE set")
	c.Flags().BoolVarP(&f.verbose, "verbose", "v", false, "log every request")
}

func serveCommand() *cobra.Command {
	var f serveFlags
	c := &cobra.Command{Use: "serve", Short: "Start the application", Args: cobra.NoArgs,
		RunE: func(c *cobra.Command, _ []string) error { return serve(c.Context(), c.OutOrStdout(), f, household) }}
	f.add(c, defaultDB(), "127.0.0.1:8642")
	return c
}

func demoCommand() *cobra.Command {
	var f serveFlags
	c := &cobra.Command{Use: "demo", Short: "Start the application with a made-up household", Args: cobra.NoArgs,
		RunE: func(c *cobra.Command, _ []string) error {
			return serve(c.Context(), c.OutOrStdout(), f, func(ctx context.Context, s *store.Store) error { return demo.Fill(ctx, s, time.Now()) })
		}}
	f.add(c, filepath.Join("data", "demo.db"), "127.0.0.1:8642")
	c.Flags().BoolVar(&f.reset, "reset", false, "start over with fresh demo data; the database that was is set aside, with .before in its name")
	return c
}

// household gives a new database its first fryer and dish, so that there is no empty
// screen to begin on.
func household(ctx context.Context, s *store.Store) error { return demo.First(ctx, s) }

// setAside moves a database out of the way, so that a new one is begun; it
// takes the place of what was set aside before.
func setAside(db string) error {
	for _, suffix := range []string{"", "-wal", "-shm"} {
		if err := os.Rename(db+suffix, db+".before"+suffix); err != nil && !errors.Is(err, os.ErrNotExist) {
			return fmt.Errorf("setting the database aside: %w", err)
		}
	}
	return nil
}

func serve(ctx context.Context, out io.Writer, f serveFlags, fill func(context.Context, *store.Store) error) error {
	level := slog.LevelInfo
	if f.verbose {
		level = slog.LevelDebug
	}
	log := slog.New(slog.NewTextHandler(os.Stderr, &slog.HandlerOptions{Level: level}))
	slog.SetDefault(log)
	host, _, err := net.SplitHostPort(f.addr)
	if err != nil {
		return fmt.Errorf("--addr %q: want host:port, like 127.0.0.1:8642", f.addr)
	}
	passphrase := os.Getenv("VELOCRUSTUM_PASSPHRASE")
	if !api.IsLoopback(host) && passphrase == "" {
		return fmt.Errorf("--addr %s is open to the network: set VELOCRUSTUM_PASSPHRASE first, or stay on 127.0.0.1", f.addr)
	}
	release, err := store.Claim(f.db)
	if err != nil {
		return err
	}
	defer release()
	if f.reset {
		if err := setAside(f.db); err != nil {
			return err
		}
	}
	st, err := store.Open(ctx, f.db, time.Now)
	if err != nil {
		return err
	}
	defer st.Close()
	if err := fill(ctx, st); err != nil {
		return fmt.Errorf("filling the database: %w", err)
	}
	h, err := api.NewHandler(st, api.Options{Files: web.Files(), Clock: clock.System(), Passphrase: passphrase, Log: log})
	if err != nil {
		return err
	}
	ln, err := net.Listen("tcp", f.addr)
	if err != nil {
		return fmt.Errorf("listening: %w", err)
	}
	srv := &http.Server{
		Handler: h, ReadHeaderTimeout: 5 * time.Second, ReadTimeout: 15 * time.Second, WriteTimeout: 30 * time.Second,
		IdleTimeout: 2 * time.Minute, MaxHeaderBytes: 1 << 16,
		// A stop lets running requests finish.
		BaseContext: func(net.Listener) context.Context { return context.WithoutCancel(ctx) },
	}
	fmt.Fprintf(out, "Velocrustum is at http://%s (stop with Ctrl-C)\n", ln.Addr())
	done := make(chan error, 1)
	go func() { done <- srv.Serve(ln) }()
	select {
	case err := <-done:
		return err
	case <-ctx.Done():
	}
	end, cancel := context.WithTimeout(context.Background(), 5*time.Second)
	defer cancel()
	if err := srv.Shutdown(end); err != nil {
		return fmt.Errorf("stopping: %w", err)
	}
	return nil
}

func simulateCommand() *cobra.Command {
	quick := false
	c := &cobra.Command{Use: "simulate FILE", Short: "Simulate the cook in a JSON request; - reads standard input", Args: cobra.ExactArgs(1),
		RunE: func(c *cobra.Command, args []string) error {
			return answer(c, args[0], func(ctx context.Context, q program.Request) (any, error) {
				return program.Simulate(ctx, q, program.Options{NoChance: quick, Changes: true})
			})
		}}
	c.Flags().BoolVar(&quick, "quick", false, "leave out the sampled window")
	return c
}

func recommendCommand() *cobra.Command {
	want := string(program.Balanced)
	c := &cobra.Command{Use: "recommend FILE", Short: "Search each way of running the load in a JSON request, and rank them", Args: cobra.ExactArgs(1),
		RunE: func(c *cobra.Command, args []string) error {
			return answer(c, args[0], func(ctx context.Context, q program.Request) (any, error) {
				return program.Recommend(ctx, q, program.Want(want), nil)
			})
		}}
	c.Flags().StringVar(&want, "want", want, "balanced, crisper, juicier, sooner or paler")
	return c
}

// answer reads one request and prints what f makes of it, as JSON. What the
// request cannot be is said on standard error.
func answer(c *cobra.Command, path string, f func(context.Context, program.Request) (any, error)) error {
	in := c.InOrStdin()
	if path != "-" {
		file, err := os.Open(path)
		if err != nil {
			return refused(c, err)
		}
		defer file.Close()
		in = file
	}
	q, err := program.Decode(in)
	if err != nil {
		return refused(c, err)
	}
	a, err := f(c.Context(), q)
	if fields := (refuse.Fields)(nil); errors.As(err, &fields) {
		return refused(c, err)
	} else if err != nil {
		return err
	}
	e := json.NewEncoder(c.OutOrStdout())
	e.SetIndent("", "  ")
	return e.Encode(a)
}

func refused(c *cobra.Command, err error) error {
	fmt.Fprintln(c.ErrOrStderr(), err)
	return errInput
}

func backupCommand() *cobra.Command {
	var db string
	c := &cobra.Command{Use: "backup FILE", Short: "Write a consistent copy of the database, also while it is in use", Args: cobra.ExactArgs(1),
		RunE: func(c *cobra.Command, args []string) error {
			if _, err := os.Stat(db); err != nil {
				return fmt.Errorf("there is no database at %s", db)
			}
			return store.Copy(c.Context(), db, args[0])
		}}
	c.Flags().StringVar(&db, "db", defaultDB(), "database file")
	return c
}
