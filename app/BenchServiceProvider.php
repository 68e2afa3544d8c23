<?php

declare(strict_types=1);

namespace App;

use App\Http\Heartbeat;
use App\Logbook\House;
use App\Logbook\StandingOfJob;
use App\People\Ability;
use App\People\Person;
use App\People\SessionRows;
use Carbon\CarbonImmutable;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Session;
use Illuminate\Support\ServiceProvider;

final class BenchServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->singleton(House::class, static fn (): House => Rooms::house());
        $this->app->singleton(StandingOfJob::class);
    }

    public function boot(): void
    {
        $this->values();
        $this->abilities();
        $this->rates();
        $this->sessions();
        // The program that makes long reports says that it is there each time it looks for one.
        Queue::looping(static function (): void {
            Heartbeat::beat('papers');
        });
        // The address of a client is the one that these say; without any it is whoever connects.
        TrustProxies::at(array_values(array_filter(explode(',', (string) config('app.trusted_proxies')))));
    }

    private function sessions(): void
    {
        Session::extend('database', static function (Application $app): SessionRows {
            /** @var array{connection: ?string, table: string, lifetime: int} $settings */
            $settings = config('session');

            return new SessionRows(DB::connection($settings['connection']), $settings['table'], $settings['lifetime'], $app);
        });
    }

    private function values(): void
    {
        Date::use(CarbonImmutable::class);
        Model::preventLazyLoading(!$this->app->environment('production'));
        ini_set('serialize_precision', '-1');
    }

    private function abilities(): void
    {
        foreach (Ability::cases() as $ability) {
            Gate::define($ability->value, static fn (Person $person): bool => $person->active && $person->role->may($ability));
        }
    }

    private function rates(): void
    {
        // A probe run sends a few requests a second for each person; ten times that is a program that has gone astray.
        RateLimiter::for('api', static fn (Request $request): Limit => Limit::perMinute((int) config('app.rate_per_minute'))
            ->by($request->hasSession() ? $request->session()->getId() : (string) $request->ip()));
    }
}
