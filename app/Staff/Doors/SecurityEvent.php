<?php

declare(strict_types=1);

namespace Elmstone\Staff\Doors;

/** What the security log keeps. */
enum SecurityEvent: string
{
    case SignedIn = 'signed_in';
    case SignedOut = 'signed_out';
    case SignedOutEverywhere = 'signed_out_everywhere';
    case WrongPin = 'wrong_pin';
    case Locked = 'locked';
    case Unlocked = 'unlocked';
    case Refused = 'refused';
    case TakenOn = 'taken_on';
    case PinChanged = 'pin_changed';
    case RoleChanged = 'role_changed';
    case SwitchedOff = 'switched_off';
    case SwitchedOn = 'switched_on';
    case LimitChanged = 'limit_changed';
    case RightsChanged = 'rights_changed';
    case SettingChanged = 'setting_changed';
    case Erased = 'erased';
    case Exported = 'exported';
    case DrawerOpened = 'drawer_opened';
    case Token = 'token';

    public function words(): string
    {
        return match ($this) {
            self::SignedIn => 'Signed in',
            self::SignedOut => 'Signed out',
            self::SignedOutEverywhere => 'Signed out everywhere',
            self::WrongPin => 'Wrong PIN or number',
            self::Locked => 'Locked after wrong tries',
            self::Unlocked => 'Unlocked',
            self::Refused => 'Refused',
            self::TakenOn => 'Taken on',
            self::PinChanged => 'PIN changed',
            self::RoleChanged => 'Role changed',
            self::SwitchedOff => 'Switched off',
            self::SwitchedOn => 'Switched on',
            self::LimitChanged => 'Limits changed',
            self::RightsChanged => 'Rights changed',
            self::SettingChanged => 'Setting changed',
            self::Erased => 'Personal data erased',
            self::Exported => 'Data taken out',
            self::DrawerOpened => 'Drawer opened, no sale',
            self::Token => 'Token given out',
        };
    }
}
