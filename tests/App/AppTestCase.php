<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use App\Models\User;
use Database\Seeders\DatabaseSeeder;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\Artisan;
use NimbleJunction\Engine\LiveLink\Role;

/** The application with a database and a data folder of its own. */
abstract class AppTestCase extends TestCase
{
    protected string $data;

    public function createApplication(): Application
    {
        $this->data = sys_get_temp_dir().'/junction-app-'.bin2hex(random_bytes(6));
        mkdir($this->data);
        touch("{$this->data}/shows.sqlite");
        $app = require \dirname(__DIR__, 2).'/bootstrap/app.php';
        $app->make(Kernel::class)->bootstrap();
        $app['config']->set('junction.data', $this->data);
        $app['config']->set('database.connections.sqlite.database', "{$this->data}/shows.sqlite");

        return $app;
    }

    protected function setUp(): void
    {
        parent::setUp();
        Artisan::call('migrate', ['--force' => true]);
        $this->seed(DatabaseSeeder::class);
    }

    protected function tearDown(): void
    {
        $data = $this->data;
        parent::tearDown();
        (new \Illuminate\Filesystem\Filesystem())->cleanDirectory($data);
        rmdir($data);
    }

    protected function as(Role $role): static
    {
        return $this->actingAs(User::query()->where('role', $role->value)->firstOrFail());
    }
}
