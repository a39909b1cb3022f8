{{-- Notes and coins in rows, largest first: how many, and what that comes to so far. --}}
<table class="cash-rows" x-data="cashCount" @input="typed" @keydown.enter.prevent="next"
    data-sums="{{ route('till.sums') }}">
    <thead><tr><th class="figure">Note or coin</th><th class="figure">How many</th><th class="figure">Comes to</th>
    <th class="figure">So far</th></tr></thead>
    <tbody>
    @foreach($units as $minor => $unit)
        <tr><td class="figure"><label for="unit{{ $minor }}">{{ $unit }}</label></td>
            <td><input class="form-control text-end @error("rows.{$minor}") is-refused @enderror"
                id="unit{{ $minor }}" name="rows[{{ $minor }}]" inputmode="numeric" autocomplete="off"
                    maxlength="9" value="{{ old("rows.{$minor}") }}"
                    @if($loop->first && ($focus ?? true)) autofocus @endif>
                @include('design.complaint', ['field' => "rows.{$minor}", 'id' => "unit{$minor}"])</td>
            <td class="figure" data-worth="{{ $minor }}"></td>
            <td class="figure soft" data-so-far="{{ $minor }}"></td></tr>
    @endforeach
    </tbody>
    <tfoot><tr><td colspan="3" class="figure">Cash counted</td>
    <td class="figure fw-bold" data-total aria-live="polite"></td></tr></tfoot>
</table>
