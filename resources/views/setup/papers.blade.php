@use('Elmstone\Shop\Shop')
@include('setup.fields')
@php($logo = Shop::query()->value('logo'))
<div class="settings"><div class="wide">
    <label for="logo">Logo <span class="hint">PNG or JPEG, up to 200 KB</span></label>
    @if($logo)<p><img class="logo-now" src="{{ $logo }}" alt="The logo as it is now"></p>
    <label class="tick"><input type="checkbox" class="form-check-input" name="no_logo" value="1"> No logo</label>@endif
    <input class="form-control" type="file" id="logo" name="logo" accept="image/png,image/jpeg">
    @include('design.complaint', ['field' => 'logo'])</div></div>
