<?php

declare(strict_types=1);

namespace Elmstone\Staff;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Refused;
use Illuminate\Support\Facades\Hash;

/**
 * Finds out whether a staff number and PIN belong together. After five wrong tries in a row the number is locked for
 * fifteen minutes; the answer never says which of the two was wrong.
 */
final class CheckPin
{
    public const TRIES = 5;

    public const LOCKED_MINUTES = 15;

    /** @throws Refused wrong_pin, locked */
    public function handle(string $number, string $pin): Staff
    {
        $staff = Staff::query()->where('number', $number)->where('active', true)->first();

        if ($staff === null) {
            // Hashing takes as long as checking, so that the time it takes does not tell an unknown number from a wrong PIN.
            Hash::make($pin);

            throw self::wrong();
        }

        if ($staff->isLocked()) {
            throw Refused::because('locked', "Too many wrong tries. Staff number {$number} is locked until {$staff->locked_until?->format('H:i')}; the owner can unlock it.");
        }

        if (! Hash::check($pin, $staff->pin_hash)) {
            $this->countWrongTry($staff);

            throw self::wrong();
        }

        if ($staff->failed_tries > 0) {
            $staff->update(['failed_tries' => 0, 'locked_until' => null]);
        }

        return $staff;
    }

    private function countWrongTry(Staff $staff): void
    {
        Staff::query()->whereKey($staff->id)->increment('failed_tries');

        if ($staff->failed_tries + 1 >= self::TRIES) {
            $staff->update(['failed_tries' => 0, 'locked_until' => CarbonImmutable::now()->addMinutes(self::LOCKED_MINUTES)]);
        }
    }

    private static function wrong(): Refused
    {
        return Refused::because('wrong_pin', 'That staff number and PIN do not belong together.');
    }
}
