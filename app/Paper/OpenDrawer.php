<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use Elmstone\Core\Money\Refused;
use Elmstone\Devices\CashDrawer;
use Elmstone\Shop\Till;
use Elmstone\Staff\Doors\SecurityEvent;
use Elmstone\Staff\Doors\SecurityLog;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;

/** Opens the drawer without a sale: who, where, when and why stand in the security log before it opens. */
final class OpenDrawer implements Sends
{
    private const WHAT = 'drawer';

    public function __construct(private readonly CashDrawer $drawer)
    {
    }

    /**
     * @param  string  $key names the act: sent twice, the drawer opens once
     *
     * @throws Refused reason_missing
     */
    public static function handle(Till $till, Staff $by, string $reason, string $key): void
    {
        if (mb_strlen(trim($reason)) < 3) {
            throw Refused::because('reason_missing', 'Say why the drawer opens without a sale; it stays on record.');
        }

        DB::transaction(static function () use ($till, $by, $reason, $key): void {
            if (DB::table('outbox')->where('key', self::WHAT." {$key}")->doesntExist()) {
                app(Outbox::class)->write(self::WHAT, self::WHAT." {$key}", null, $till, $by);
                SecurityLog::write(SecurityEvent::DrawerOpened, $by, trim($reason), $till->id);
            }
        });
    }

    public function sends(): array
    {
        return [self::WHAT];
    }

    public function mayWait(string $what): bool
    {
        return false;
    }

    public function send(Outgoing $outgoing): void
    {
        $outgoing->isFresh() && $this->drawer->open($outgoing->till);
    }
}
