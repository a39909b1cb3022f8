<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Foundation\Http\Addresses;
use Illuminate\Routing\Exceptions\UrlGenerationException;
use Illuminate\Routing\Route as OneRoute;
use Illuminate\Routing\UrlGenerator;
use Illuminate\Support\Facades\Route;
use PHPUnit\Framework\Attributes\DataProvider;

final class AddressesTest extends FeatureCase
{
    /** @return iterable<string, array{list<string|int>}> */
    public static function values(): iterable
    {
        yield 'numbers' => [[7, 42, 1]];
        yield 'keys' => [['0f6c8a52-9e4b-4a86-9c3e-2f2a1d7c5b10', 'PV-12_a.~', '3']];
        yield 'what must be escaped' => [['50% off?', 'ä/b #2', '&']];
        yield 'an address outside' => [['//elsewhere', '..', '.']];
        yield 'a line end' => [["7\n", 'x', 'y']];
    }

    /** @param  list<string|int>  $values */
    #[DataProvider('values')]
    public function test_every_address_is_the_one_the_framework_writes(array $values): void
    {
        $framework = new UrlGenerator(Route::getRoutes(), request());
        $ours = app('url');
        $this->assertInstanceOf(Addresses::class, $ours);
        $named = array_filter(Route::getRoutes()->getRoutes(), static fn (OneRoute $one) => $one->getName() !== null);
        $this->assertGreaterThan(100, count($named));

        foreach ($named as $route) {
            $names = $route->parameterNames();
            $given = array_slice($values, 0, count($names));

            $shapes = [$given, array_combine($names, $given), [...$given, 'page' => 2], [...$given, 'q']];

            foreach ($shapes as $parameters) {
                foreach ([true, false] as $absolute) {
                    $this->assertSame(
                        $framework->route($route->getName(), $parameters, $absolute),
                        $ours->route($route->getName(), $parameters, $absolute),
                    );
                }
            }
        }
    }

    public function test_what_is_missing_is_said(): void
    {
        $this->expectException(UrlGenerationException::class);
        route('counter.line', ['0f6c8a52-9e4b-4a86-9c3e-2f2a1d7c5b10']);
    }

    public function test_one_value_needs_no_list(): void
    {
        $this->assertSame('http://127.0.0.1/counter/abc', route('counter.show', 'abc'));
    }
}
