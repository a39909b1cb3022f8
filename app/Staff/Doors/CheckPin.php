<?php

declare(strict_types=1);

namespace Elmstone\Staff\Doors;

use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\Hash;

/**
 * Finds out whether a staff number and PIN belong together. After five wrong tries at a till the number is locked there
 * for a while; no answer says which of the two was wrong, or whether there is such a number.
 */
final class CheckPin
{
    public function __construct(private readonly PinTries $tries)
    {
    }

    /** @throws Refused wrong_pin, locked, too_many */
    public function handle(string $number, string $pin, int $till): Staff
    {
        try {
            $this->tries->begin($number, $till);
        } catch (Refused $refused) {
            SecurityLog::write(SecurityEvent::Locked, null, "number {$number}", $till);

            throw $refused;
        }

        $staff = Staff::query()->where('number', $number)->where('active', true)->first();
        // Of a number nobody has, hashing takes as long as checking.
        $fits = $staff === null ? Hash::make($pin) === '' : Hash::check($pin, $staff->pin_hash);

        if ($staff === null || ! $fits) {
            SecurityLog::write(SecurityEvent::WrongPin, $staff, "number {$number}", $till);

            throw Refused::because('wrong_pin', 'That staff number and PIN do not belong together.');
        }

        $this->tries->right($number, $till);

        return $staff;
    }
}
