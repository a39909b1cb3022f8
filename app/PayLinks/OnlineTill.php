<?php

declare(strict_types=1);

namespace Elmstone\PayLinks;

use Elmstone\Core\Money\Refused;
use Elmstone\Shop\Location;
use Elmstone\Shop\Settings;
use Elmstone\Shop\Till;
use Elmstone\Staff\Role;
use Elmstone\Staff\Staff;
use Elmstone\Tills\OpenSessions;
use Elmstone\Tills\OpenTill;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Where what is paid by links is rung up: a till at which nobody stands, by somebody who cannot sign in. */
final readonly class OnlineTill
{
    /** A number that is typed nowhere. */
    private const STAFF = 'ONLINE';

    /** Its number stands apart from those on the counters. */
    private const FIRST_NUMBER = 90;

    public function __construct(private OpenTill $open, private Settings $settings)
    {
    }

    /** Where what belongs to no place is paid to. */
    public static function first(): int
    {
        return (int) Location::query()->min('id');
    }

    /** The till of a place, made when it is first needed. */
    public function at(int $location): Till
    {
        $find = static fn (): ?int => Till::query()
            ->where('location_id', $location)
            ->where('online', true)
            ->value('id');
        $id = $find() ?? DB::transaction(static function () use ($location, $find): int {
            Location::query()->whereKey($location)->lockForUpdate()->firstOrFail();

            return $find() ?? Till::query()->create([
                'location_id' => $location,
                'number' => max(self::FIRST_NUMBER, (int) Till::query()->max('number') + 1),
                'name' => 'Paid by link',
                'online' => true,
            ])->id;
        });
        $this->settings->forget();

        return $this->settings->till($id);
    }

    public function till(int $id): Till
    {
        return $this->settings->till($id);
    }

    public function staff(): Staff
    {
        Staff::query()->insertOrIgnore([
            'number' => self::STAFF,
            'name' => 'Paid by link',
            'role' => Role::Clerk->value,
            'pin_hash' => '',
            'active' => false,
            'created_at' => now(),
            'updated_at' => now(),
        ]);

        return Staff::query()->where('number', self::STAFF)->sole();
    }

    /**
     * Opens it where it is not open: there is no drawer to count.
     *
     * @throws Refused till_counted, and what hinders opening
     */
    public function ready(Till $till): void
    {
        if (OpenSessions::at($till->id) === null) {
            try {
                $this->open->handle($till, null, $this->staff(), (string) Str::uuid());
            } catch (Refused $refused) {
                $refused->rule === 'already_open' || throw $refused;
            }
        }
    }
}
