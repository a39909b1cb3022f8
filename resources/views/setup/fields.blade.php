@use('Elmstone\Setup\FieldKind')
<div class="settings">@foreach($section->fields() as $field)<div @class(['wide' => in_array($field->kind,
    [FieldKind::Long], true)])><x-field :field="$field" :at="$field->name" :value="$now[$field->name] ?? ''" /></div>
@endforeach</div>
