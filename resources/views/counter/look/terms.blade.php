{{-- Exemption, price level and tax place of this sale only. --}}
<form class="own-terms" method="post" action="{{ route('counter.terms', $slip->key) }}" data-act>
    <label for="own_certificate">Exempt by certificate</label>
    <input class="form-control" id="own_certificate" name="own_certificate" maxlength="40" autocomplete="off"
        placeholder="not exempt" value="{{ $slip->own_certificate }}">
    <label for="own_level">Price level</label>
    <select class="form-select" id="own_level" name="own_level"><option value="0">as theirs</option>
        @foreach($levels as $level)<option value="{{ $level->id }}"
            @selected($slip->own_level_id === $level->id)>{{ $level->name }}</option>@endforeach</select>
    <label for="own_place">Taxed as</label>
    <select class="form-select" id="own_place" name="own_place"><option value="0">here</option>
        @foreach($places as $place)<option value="{{ $place->id }}"
            @selected($slip->own_place_id === $place->id)>{{ $place->name }}</option>@endforeach</select>
    <label for="own_reason">Why</label>
    <input class="form-control" id="own_reason" name="own_reason" maxlength="120" autocomplete="off"
        value="{{ $slip->own_reason }}">
    <span></span><button class="quiet-act">For this sale only</button>
</form>
