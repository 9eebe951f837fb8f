package main

import (
	"context"
	"crypto/rand"
	"errors"
	"fmt"
	"io"
	"log/slog"
	"net"
	"net/http"
	"os"
	"path/filepath"
	"strings"
	"sync"
	"time"

	"github.com/mattn/go-isatty"
	"github.com/mdp/qrterminal/v3"
	"github.com/spf13/cobra"

	"velocrustum/internal/api"
	"velocrustum/internal/clock"
	"velocrustum/internal/demo"
	"velocrustum/internal/kitchen"
	"velocrustum/internal/store"
	"velocrustum/web"
)

type serveFlags struct {
	db, addr string
	lan      string
	verbose  bool
	reset    bool
	speed    float64
	since    string
	// thermometer is whether a simulated one lies on the counter.
	thermometer bool
	// fill fills a new database.
	fill func(context.Context, *store.Store) error
	// shown is whether a made-up household can be looked at beside it.
	shown bool
}

// onItsOwn is --lan without an address: the first of the home network.
const onItsOwn = "auto"

func (f *serveFlags) add(c *cobra.Command, db, addr string) {
	c.Flags().StringVar(&f.db, "db", db, "database file")
	c.Flags().StringVar(&f.addr, "addr", addr, "address to listen on; other than loopback only with VELOCRUSTUM_PASSPHRASE set")
	c.Flags().StringVar(&f.lan, "lan", "", "listen on the home network as well, with a passphrase, and show a code for a phone; an address if it has several")
	c.Flags().Lookup("lan").NoOptDefVal = onItsOwn
	c.Flags().Float64Var(&f.speed, "speed", 1, "run the kitchen's clock so many times as fast, to try an evening out (1 to 120)")
	c.Flags().StringVar(&f.since, "since", "", "since when it has run so fast (RFC 3339); from now on where left out")
	c.Flags().BoolVarP(&f.verbose, "verbose", "v", false, "log every request")
}

func serveCommand() *cobra.Command {
	f := serveFlags{fill: demo.First, shown: true}
	c := &cobra.Command{Use: "serve", Short: "Start the application", Args: cobra.NoArgs,
		RunE: func(c *cobra.Command, _ []string) error { return serve(c.Context(), c.OutOrStdout(), f) }}
	f.add(c, defaultDB(), "127.0.0.1:8642")
	return c
}

func fillDemo(ctx context.Context, s *store.Store) error { return demo.Fill(ctx, s, time.Now()) }

func demoCommand() *cobra.Command {
	f := serveFlags{fill: fillDemo, thermometer: true}
	c := &cobra.Command{Use: "demo", Short: "Start the application with a made-up household", Args: cobra.NoArgs,
		RunE: func(c *cobra.Command, _ []string) error { return serve(c.Context(), c.OutOrStdout(), f) }}
	f.add(c, filepath.Join("data", "demo.db"), "127.0.0.1:8642")
	c.Flags().BoolVar(&f.reset, "reset", false, "start over with fresh demo data; the database that was is set aside, with .before in its name")
	return c
}

// setAside moves a database out of the way, so that a new one is begun; it
// takes the place of what was set aside before.
func setAside(db string) error {
	// A folder is not put in the place of one that is there.
	if err := os.RemoveAll(db + ".before.pictures"); err != nil {
		return fmt.Errorf("setting the pictures aside: %w", err)
	}
	for _, suffix := range []string{"", "-wal", "-shm", ".pictures"} {
		if err := os.Rename(db+suffix, db+".before"+suffix); err != nil && !errors.Is(err, os.ErrNotExist) {
			return fmt.Errorf("setting the database aside: %w", err)
		}
	}
	return nil
}

// homeAddress is the address of this machine on a home network.
func homeAddress() (string, error) {
	all, err := net.InterfaceAddrs()
	if err != nil {
		return "", err
	}
	for _, a := range all {
		if n, ok := a.(*net.IPNet); ok && n.IP.IsPrivate() && n.IP.To4() != nil {
			return n.IP.String(), nil
		}
	}
	return "", errors.New("no home network is found: name this machine's address on it, like --lan=192.168.1.20")
}

// passphrase is easy to type, and long enough not to be guessed.
func passphrase() string {
	t := strings.ToLower(rand.Text())
	return t[:4] + "-" + t[4:8] + "-" + t[8:12]
}

// listenHome opens the door to the home network: the listener, and how it is
// reached.
func listenHome(ctx context.Context, st *store.Store, f serveFlags, fixed string) (net.Listener, *api.LAN, error) {
	host := f.lan
	if host == onItsOwn {
		var err error
		if host, err = homeAddress(); err != nil {
			return nil, nil, err
		}
	}
	_, port, _ := net.SplitHostPort(f.addr)
	ln, err := net.Listen("tcp", net.JoinHostPort(host, port))
	if err != nil {
		return nil, nil, fmt.Errorf("listening on the home network: %w", err)
	}
	if fixed == "" {
		if fixed, err = st.Passphrase(ctx, passphrase()); err != nil {
			return nil, nil, errors.Join(err, ln.Close())
		}
	}
	return ln, &api.LAN{URL: "http://" + ln.Addr().String(), Passphrase: fixed}, nil
}

// openDemo opens a made-up household in a file that is gone when it is
// discarded.
func openDemo(ctx context.Context) (*store.Store, func(), error) {
	dir, err := os.MkdirTemp("", "velocrustum-demo-")
	if err != nil {
		return nil, nil, err
	}
	st, err := store.Open(ctx, filepath.Join(dir, "demo.db"), time.Now)
	if err != nil {
		return nil, nil, errors.Join(err, os.RemoveAll(dir))
	}
	discard := func() {
		_ = st.Close() // it is thrown away
		_ = os.RemoveAll(dir)
	}
	if err := fillDemo(ctx, st); err != nil {
		discard()
		return nil, nil, err
	}
	return st, discard, nil
}

func serve(ctx context.Context, out io.Writer, f serveFlags) error {
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
	fixed, err := fixedPassphrase()
	if err != nil {
		return err
	}
	if !api.IsLoopback(host) && fixed == "" {
		return fmt.Errorf("--addr %s is open to the network: set VELOCRUSTUM_PASSPHRASE first, or stay on 127.0.0.1; for a phone in the kitchen there is --lan", f.addr)
	}
	claimed, err := store.Claim(f.db)
	if err != nil {
		return err
	}
	defer claimed.Release()
	f.db = claimed.Path
	if f.reset {
		if err := errors.Join(setAside(f.db), claimed.Hold()); err != nil {
			return err
		}
	}
	st, err := store.Open(ctx, f.db, time.Now)
	if err != nil {
		return err
	}
	defer st.Close()
	if err := f.fill(ctx, st); err != nil {
		return fmt.Errorf("filling the database: %w", err)
	}
	if !(f.speed >= 1 && f.speed <= 120) {
		return fmt.Errorf("--speed %g: want 1 to 120", f.speed)
	}
	ticks := clock.System()
	if f.speed > 1 {
		since := time.Now()
		if f.since != "" {
			if since, err = time.Parse(time.RFC3339, f.since); err != nil {
				return fmt.Errorf("--since %q: want a moment like 2026-11-20T18:00:00Z", f.since)
			}
		}
		ticks = clock.Faster(f.speed, since)
	}
	o := api.Options{Files: web.Files(), Clock: ticks, Passphrase: fixed, Log: log}
	if f.shown {
		o.Demo = openDemo
	}
	ln, err := net.Listen("tcp", f.addr)
	if err != nil {
		return fmt.Errorf("listening: %w", err)
	}
	var home net.Listener
	if f.lan != "" {
		if home, o.LAN, err = listenHome(ctx, st, f, fixed); err != nil {
			return errors.Join(err, ln.Close())
		}
	}
	h, err := api.NewHandler(st, o)
	if err != nil {
		return err
	}
	defer h.Close()
	srv := &http.Server{
		Handler: h, ReadHeaderTimeout: 5 * time.Second, ReadTimeout: 15 * time.Second, WriteTimeout: 30 * time.Second,
		IdleTimeout: 2 * time.Minute, MaxHeaderBytes: 1 << 16,
		// A stop lets running requests finish.
		BaseContext: func(of net.Listener) context.Context {
			base := context.WithoutCancel(ctx)
			if of == home {
				return api.OnLAN(base)
			}
			return base
		},
	}
	srv.RegisterOnShutdown(h.End)
	fmt.Fprintf(out, "Velocrustum is at http://%s (stop with Ctrl-C)\n", ln.Addr())
	if f.thermometer {
		lies := kitchen.New(kitchen.Options{Server: "http://" + ln.Addr().String(), Probe: "simulated-thermometer", Seed: 7, Passphrase: fixed, Log: log})
		ctx, stop := context.WithCancel(ctx)
		defer stop()
		go func() { _ = lies.Run(ctx) }() // it ends with the server
	}
	learning, stop := context.WithCancel(ctx)
	var learns sync.WaitGroup
	learns.Go(func() { h.KeepLearning(learning, log) })
	defer learns.Wait() // before the store is closed
	defer stop()
	done := make(chan error, 2)
	go func() { done <- srv.Serve(ln) }()
	if home != nil {
		pair, until, err := h.PairURL()
		if err != nil {
			return err
		}
		if file, ok := out.(*os.File); ok && isatty.IsTerminal(file.Fd()) {
			fmt.Fprintf(out, "On the home network it is at %s: any name, and the passphrase %s\n", o.LAN.URL, o.LAN.Passphrase)
			qrterminal.GenerateHalfBlock(pair, qrterminal.M, out)
			fmt.Fprintf(out, "Scan this with a phone to let it in without the passphrase (once, until %s; the household's page shows another)\n", until.Local().Format("15:04"))
		} else {
			// What is written is kept: a journal is no place for a key.
			fmt.Fprintf(out, "On the home network it is at %s; velocrustum passphrase shows its passphrase, the household's page a code for a phone\n", o.LAN.URL)
		}
		go func() { done <- srv.Serve(home) }()
	}
	select {
	case err := <-done:
		return err
	case <-ctx.Done():
	}
	end, cancel := context.WithTimeout(context.Background(), 5*time.Second)
	defer cancel()
	if err := srv.Shutdown(end); errors.Is(err, context.DeadlineExceeded) {
		// A browser keeps connections open that it has asked nothing by.
		return srv.Close()
	} else if err != nil {
		return fmt.Errorf("stopping: %w", err)
	}
	return nil
}

func kitchenCommand() *cobra.Command {
	o := kitchen.Options{}
	c := &cobra.Command{Use: "kitchen", Short: "Stand in for a thermometer left in the food, over a hidden fryer, and send a server its readings", Args: cobra.NoArgs,
		RunE: func(c *cobra.Command, _ []string) error {
			if o.Speed < 0 || o.Speed > 120 {
				return refused(c, fmt.Errorf("--speed %g: want 0 to 120", o.Speed))
			}
			o.Log = slog.New(slog.NewTextHandler(os.Stderr, nil))
			o.Passphrase = os.Getenv("VELOCRUSTUM_PASSPHRASE")
			fmt.Fprintf(c.OutOrStdout(), "The thermometer %s lies on the counter; say on the cook's page what it is put in (stop with Ctrl-C)\n", o.Probe)
			return kitchen.New(o).Run(c.Context())
		}}
	c.Flags().StringVar(&o.Server, "server", "http://127.0.0.1:8642", "address of the server")
	c.Flags().Uint64Var(&o.Seed, "seed", 7, "of the hidden truth")
	c.Flags().Float64Var(&o.Speed, "speed", 0, "how many times as fast the kitchen runs; as the server's clock where left out")
	c.Flags().StringVar(&o.Probe, "probe", "kitchen-thermometer", "its name")
	c.Flags().DurationVar(&o.Battery, "battery", 0, "how long its battery lasts, of the kitchen's time; for ever where left out")
	return c
}
