<?php

declare(strict_types=1);

namespace Elmstone\Setup;

use Illuminate\Http\Request;

/**
 * The key whoever sets the shop up has from the machine it runs on: until there is an owner, nothing else tells them
 * from anybody who finds the address.
 */
final class SetUpKey
{
    public const LEAST = 16;

    /** Whether the browser has shown it. */
    public static function isShown(Request $request): bool
    {
        $shown = $request->session()->get('set_up_key');

        return self::isSet() && is_string($shown) && hash_equals(self::digest(), $shown);
    }

    /** Takes it where it is right. */
    public static function show(Request $request, string $typed): bool
    {
        if (! self::isSet() || ! hash_equals(self::digest(), hash('sha256', $typed))) {
            return false;
        }

        $request->session()->regenerate();
        $request->session()->put('set_up_key', self::digest());

        return true;
    }

    public static function isSet(): bool
    {
        return strlen(self::key()) >= self::LEAST;
    }

    private static function digest(): string
    {
        return hash('sha256', self::key());
    }

    private static function key(): string
    {
        $key = config('house.set_up_key');

        return is_string($key) ? $key : '';
    }
}
