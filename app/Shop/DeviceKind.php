<?php

declare(strict_types=1);

namespace Elmstone\Shop;

/** What stands at a till besides the screen. */
enum DeviceKind: string
{
    case Terminal = 'terminal';
    case Printer = 'printer';
    case Drawer = 'drawer';
    case Display = 'display';

    public function label(): string
    {
        return match ($this) {
            self::Terminal => 'Card terminal',
            self::Printer => 'Receipt printer',
            self::Drawer => 'Cash drawer',
            self::Display => 'Customer display',
        };
    }
}
