<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Where somebody works, and as what there. Who has no row works at every location in their role. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('staff_places', static function (Blueprint $table): void {
            $table->foreignId('staff_id')->constrained('staff');
            $table->foreignId('location_id')->constrained('locations');
            $table->string('role', 20);
            $table->primary(['staff_id', 'location_id']);
        });
        Rows::check('staff_places', 'staff_places_role', "role IN ('clerk', 'supervisor', 'office')");
        Rows::marks('staff_places', 'settings_state', null);
    }
};
