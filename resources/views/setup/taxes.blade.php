@php($classes = old('classes', $now['classes']))
@php($profiles = old('profiles', $now['profiles']))
@php($known = array_values(array_filter($classes, fn ($class) => ($class['code'] ?? '') !== '')))
<h2>Classes of goods</h2>
<table class="ruled setting-rows w-auto"><thead><tr><th>Code</th><th>Letter <span class="hint">beside lines</span></th>
    <th>Name</th></tr></thead><tbody>@foreach([...$classes, []] as $class)@php($i = $loop->index)<tr>
    @foreach(['code' => 'Code', 'letter' => 'Letter', 'name' => 'Name'] as $column => $label)<td><input
        @class(['form-control', 'w-6' => $column !== 'name', 'is-refused' => $errors->has("classes.{$i}.{$column}")])
        name="classes[{{ $i }}][{{ $column }}]" value="{{ $class[$column] ?? '' }}"
        aria-label="{{ $label }} of class {{ $i + 1 }}" @readonly($column === 'code' && $isOpen && $class !== [])>
    @include('design.complaint', ['field' => "classes.{$i}.{$column}"])</td>@endforeach</tr>@endforeach</tbody></table>
@foreach([...$profiles, ['name' => '', 'components' => []]] as $profile)@php($p = $loop->index)
<fieldset class="tax-profile"><legend>{{ $loop->last && $loop->count > 1 ? 'Add the taxes of another place'
    : 'Taxes of a place' }}</legend>
    @isset($profile['id'])<input type="hidden" name="profiles[{{ $p }}][id]" value="{{ $profile['id'] }}">@endisset
    <div class="settings"><div><label for="profile-{{ $p }}">Called</label><input
        @class(['form-control', 'is-refused' => $errors->has("profiles.{$p}.name")]) id="profile-{{ $p }}"
            name="profiles[{{ $p }}][name]" value="{{ $profile['name'] ?? '' }}">
        @include('design.complaint', ['field' => "profiles.{$p}.name"])</div></div>
    <table class="ruled setting-rows"><thead><tr><th>Tax</th><th class="figure">Rate, %</th><th>On</th>
        <th>On top of those above</th>@if($isOpen)<th>Becomes</th>@endif</tr></thead>
    <tbody>@foreach([...$profile['components'] ?? [], []] as $tax)@php($c = $loop->index)
        @php($at = "profiles[{$p}][components][{$c}]")@php($dots = "profiles.{$p}.components.{$c}")<tr>
        <td>@isset($tax['id'])<input type="hidden" name="{{ $at }}[id]" value="{{ $tax['id'] }}">@endisset<input
            @class(['form-control', 'is-refused' => $errors->has("{$dots}.name")]) name="{{ $at }}[name]"
            value="{{ $tax['name'] ?? '' }}" aria-label="Name of tax {{ $c + 1 }}">
            @include('design.complaint', ['field' => "{$dots}.name"])</td>
        <td class="figure">@if($isOpen && isset($tax['id']))<span
            class="fixed">{{ ($tax['rate'] ?? '') === '' ? '–' : $tax['rate'] }}</span><input type="hidden"
            name="{{ $at }}[rate]" value="{{ $tax['rate'] ?? '' }}">@else<input
            @class(['form-control text-end w-6', 'is-refused' => $errors->has("{$dots}.rate")])
            name="{{ $at }}[rate]" value="{{ $tax['rate'] ?? '' }}" inputmode="decimal"
            aria-label="Rate of tax {{ $c + 1 }}">@endif
            @include('design.complaint', ['field' => "{$dots}.rate"])</td>
        <td>@foreach($known as $class)<label class="tick"><input type="checkbox" class="form-check-input"
            name="{{ $at }}[classes][]" value="{{ $class['code'] }}"
            @checked(in_array($class['code'], $tax['classes'] ?? [], true))> {{ $class['name'] ?? '' }}</label>
            @endforeach</td>
        <td>@if($c > 0)<input type="checkbox" class="form-check-input" name="{{ $at }}[on_top]" value="1"
            @checked(($tax['on_top'] ?? '') === '1') aria-label="Tax {{ $c + 1 }} is on top of those above">@endif</td>
        @if($isOpen)<td class="changes">@foreach([...$tax['changes'] ?? [], []] as $change)@php($k = $loop->index)
            @isset($change['id'])<div>{{ $change['rate'] === 'none' ? 'not levied' : "{$change['rate']} %" }} from
                {{ $change['from'] }} <input type="hidden" name="{{ $at }}[changes][{{ $k }}][id]"
                value="{{ $change['id'] }}"><label class="tick"><input type="checkbox" class="form-check-input"
                name="{{ $at }}[changes][{{ $k }}][remove]" value="1"> not any more</label></div>
            @else<div class="d-flex gap-2"><input class="form-control w-6 text-end"
                name="{{ $at }}[changes][{{ $k }}][rate]" value="{{ $change['rate'] ?? '' }}" placeholder="%"
                inputmode="decimal" aria-label="Next rate of tax {{ $c + 1 }}, or none"><input class="form-control"
                type="date" name="{{ $at }}[changes][{{ $k }}][from]" value="{{ $change['from'] ?? '' }}"
                aria-label="From which day on, tax {{ $c + 1 }}"></div>
            @include('design.complaint', ['field' => "{$dots}.changes.{$k}.rate"])
            @include('design.complaint', ['field' => "{$dots}.changes.{$k}.from"])@endisset @endforeach</td>@endif</tr>
    @endforeach</tbody></table>
</fieldset>@endforeach
@if($isOpen)<p class="soft small">“none” as the next rate ends a tax on that day. A tax that is added says in the last
    column from which day on.</p>@endif
