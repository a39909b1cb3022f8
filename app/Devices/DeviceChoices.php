<?php

declare(strict_types=1);

namespace Elmstone\Devices;

use Elmstone\Core\Money\Refused;
use Elmstone\Shop\DeviceChoice;
use Elmstone\Shop\DeviceKind;
use Elmstone\Shop\Settings;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Contracts\Auth\Factory;

/** Whose terminal, printer, drawer and display are used at a till by who stands there. */
final readonly class DeviceChoices
{
    public function __construct(private Settings $settings, private Factory $auth)
    {
    }

    /** The till whose device is used at a till. */
    public function at(Till $till, DeviceKind $kind): Till
    {
        $by = $this->auth->guard()->id();

        return $this->settings->deviceOf($till, $kind, is_numeric($by) ? (int) $by : null);
    }

    /** @return array<string, Till> by kind, those that are not the till’s own */
    public function lent(Till $till): array
    {
        $lent = [];

        foreach (DeviceKind::cases() as $kind) {
            $from = $this->at($till, $kind);
            $from->id === $till->id || ($lent[$kind->value] = $from);
        }

        return $lent;
    }

    /**
     * From now on. What a terminal was asked before is asked of that one still.
     *
     * @param  bool  $forAll for everybody at the till; else only for who chooses
     *
     * @throws Refused not_here where it stands at another place, or one is for training
     */
    public function choose(Till $till, DeviceKind $kind, int $uses, Staff $by, bool $forAll): void
    {
        $this->settings->tillsBeside($till)->contains('id', $uses) || throw Refused::because(
            'not_here',
            'That device does not stand at this place.',
        );

        // What holds for everybody holds for who says it, too.
        $forAll && DeviceChoice::query()
            ->where(['till_id' => $till->id, 'staff_id' => $by->id, 'kind' => $kind->value])
            ->delete();
        DeviceChoice::query()->upsert(
            [[
                'till_id' => $till->id,
                'staff_id' => $forAll ? 0 : $by->id,
                'kind' => $kind->value,
                'uses_id' => $uses,
                'chosen_by' => $by->id,
            ]],
            ['till_id', 'staff_id', 'kind'],
            ['uses_id', 'chosen_by'],
        );
        $this->settings->forget();
    }
}
