<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Which terminal, printer, drawer and display somebody uses at a till, where it is not the till’s own. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('device_choices', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('till_id')->constrained();
            $table->unsignedBigInteger('staff_id')->default(0)->comment('0: whoever is at it');
            $table->string('kind', 10)->charset('ascii')->comment('terminal, printer, drawer, display');
            $table->foreignId('uses_id')->comment('the till whose device it is')->constrained('tills');
            $table->foreignId('chosen_by')->constrained('staff');
            $table->timestamp('chosen_at', 3)->useCurrent()->useCurrentOnUpdate();
            $table->unique(['till_id', 'staff_id', 'kind']);
        });
        Rows::check('device_choices', 'device_kind', "kind in ('terminal', 'printer', 'drawer', 'display')");
        Rows::marks('device_choices', 'settings_state', null);

        Schema::table('terminal_requests', static function (Blueprint $table): void {
            $table->foreignId('terminal_id')->nullable()->comment('whose terminal it was; null: its own')
                ->constrained('tills');
        });
    }
};
