<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Counter\Slip\Slip;
use Elmstone\Shop\Till;
use Elmstone\Tests\TestCase;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** A shop of one's own with nothing in it yet: somebody signs in and sells a thing that is in no list. */
final class OwnShop
{
    public static function sells(TestCase $test, string $number, string $pin, bool $training = false): void
    {
        $till = Till::query()->where('training', $training)->where('online', false)->value('id');
        $test->post('/sign-in', ['till' => $till, 'number' => $number, 'pin' => $pin])->assertRedirect('/');
        $training || $test->post('/till/open', ['as_left' => '1', 'key' => (string) Str::uuid()]);
        $slip = (string) Str::uuid();

        foreach (
            [
                'one-off' => [
                    'description' => 'A hammer', 'price' => '20', 'quantity' => '1', 'tax_class' => 'standard',
                    'department_id' => (string) DB::table('departments')->value('id'),
                ],
                'cash' => ['cash' => '50'],
                'post' => [],
            ] as $act => $fields
        ) {
            $test->post("/counter/{$slip}/{$act}", [
                'act' => (string) Str::uuid(),
                'version' => (string) Slip::query()->where('key', $slip)->value('version'),
                ...$fields,
            ])->assertOk();
        }

        $test->post('/sign-out');
    }
}
